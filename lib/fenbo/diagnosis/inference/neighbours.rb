# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What the other fans of the unit say. A cause that reaches them (a dead
    # supply, a contactor) should show there too; a fan that runs beside a still
    # one speaks against it, fans that all stand still speak for it.
    class Neighbours
      # The same of a case and the next ones about the same fan, while nobody looks at another.
      def self.of(case_file, model)
        alike = alike(case_file.neighbour_evidence, model)
        model.neighbours([case_file.contactors, alike.map { |beside, all, count| [beside, all.map(&:told), count] }]) {
          new(model, alike, case_file.contactors)
        }
      end

      # [[on this side, evidence, how many neighbours show just that]]
      def self.alike(by_position, model)
        by_position
          .map { |position, all| [position, all.select { |one| model.equipment.test?(one.test) }] }
          .reject { |_, evidence| evidence.empty? }
          .group_by { |position, evidence| [position.start_with?(model.equipment.side), evidence.map(&:told)] }
          .map { |(beside, _), all| [beside, all.first.last, all.size] }
      end
      private_class_method :alike

      # @param alike [Array] of [on this side, evidence, how many neighbours show just that]
      # @param contactors [String, nil] how the unit is wired
      def initialize(model, alike, contactors)
        @model = model
        @alike = alike
        wired = Diagnosis.rules["contactors"].fetch(contactors, {})
        @reach = model.causes.map { |cause| wired.fetch(cause.id, cause.reaches) }
        @reaches = @reach.map(&:positive?)
        @known = {}
        @likelihoods = {}
      end

      # Whether nothing is known of any of them.
      def silent? = @alike.empty?

      # How much likelier the neighbours' findings are with this set of causes.
      def factor(set)
        return 1.0 if silent?
        reaching = (set.none? { |c| @reaches[c] }) ? NONE : set.select { |c| @reaches[c] }
        @known[reaching] ||= over_struck(reaching)
      end

      # The same of each listed set.
      def factors = @factors ||= @model.sets.map { |set| factor(set) }.freeze

      def factor_of_unknown = factor([])

      NONE = [].freeze
      private_constant :NONE

      private

      # What reaches one neighbour by a common supply or control reaches them all: each
      # reaching cause strikes the bank or spares it; sum over both.
      def over_struck(reaching)
        (0..reaching.size)
          .flat_map { |size| reaching.combination(size).to_a }
          .sum do |struck|
            chance =
              reaching.inject(1.0) do |product, c|
                product * (struck.include?(c) ? @reach[c] : 1 - @reach[c])
              end
            @alike.inject(chance) do |product, (beside, evidence, count)|
              product * likelihood(struck.select { |c| there?(c, beside) }, evidence)**count
            end
          end
      end

      # On the other side of the unit only what belongs to the whole unit reaches.
      def there?(c, beside) = beside || @model.causes[c].unit?

      def likelihood(struck, evidence)
        (@likelihoods[struck] ||= {}.compare_by_identity)[evidence] ||= if struck.empty?
          untouched(evidence)
        else
          over(@model.state_of(struck), evidence) { |test, m| @model.distribution(test, m, struck) }
        end
      end

      def untouched(evidence)
        own = Diagnosis.rules["neighbour"]
        well = over(@model.spread(own["motion"]), evidence) { |test, m| @model.usual(test, m) }
        (1 - own["own_fault"]) * well +
          own["own_fault"] * over(@model.state_of_unknown, evidence) { |test, m| @model.of_unknown(test, m) }
      end

      def over(states, evidence)
        states.each_with_index.sum do |chance, m|
          chance * evidence.inject(1.0) { |product, one| product * one.likelihood(yield(one.test, m)) }
        end
      end
    end
  end
end
