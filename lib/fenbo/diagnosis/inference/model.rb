# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Every hypothesis of one kind of equipment, with the chance of each test's true
    # outcomes under it (Pictures). Built once per kind and kept; what a case adds (age,
    # recent work) only changes the weights (Company).
    #
    # Hypotheses are sets of causes, named by the places of their causes in `causes`.
    # `sets` lists those of up to two; sets of three are reached from the pairs that
    # a case leaves likely (see Posterior). States are indexed as in States.
    class Model
      LISTED = 2
      # Kinds of equipment kept ready, and of each what neighbours say; a shop meets few on one day.
      MOST_KEPT = 12

      KEPT = Kept.new(MOST_KEPT)
      # Where no cause of a set bears on a test; the empty set is a fan that nothing is wrong with.
      NOTHING = [nil].freeze
      private_constant :KEPT, :NOTHING

      def self.for(equipment, experience = Experience::NONE)
        KEPT.fetch([equipment, experience]) { new(equipment, experience) }
      end

      attr_reader :equipment, :experience, :causes, :tests, :sets, :states

      def initialize(equipment, experience = Experience::NONE)
        @equipment = equipment
        @experience = experience
        @causes = Cause.all.values.select { |cause| equipment.cause?(cause) }.freeze
        @tests = Test.all.values.select { |test| equipment.test?(test) }.freeze
        @chain = States.new(equipment, @causes)
        @states = @chain.all
        @pictures = Pictures.new(equipment, @causes, @states, experience)
        @place = @causes.each_with_index.to_h
        @exclusions = Exclusions.new(@place)
        @sets =
          (0..LISTED)
            .flat_map { |size| @causes.each_index.to_a.combination(size).select { |set| possible?(set) } }
            .freeze
        @neighbours = Kept.new(MOST_KEPT)
        @chances, @named, @state_of, @companies, @before = {}, {}, {}, {}, {}.compare_by_identity
      end

      def place(cause) = @place[cause]

      def causes_of(set) = set.map { |c| causes[c] }

      def possible?(set) = @exclusions.possible?(set)

      # Whether two causes never hold at once on one fan.
      def excluded?(one, other) = @exclusions.excluded?(one, other)

      # How likely sets of causes are before anything is seen.
      # @return [Company]
      def company(age_band:, recent_work:)
        @companies[[age_band, recent_work]] ||= begin
          odds =
            causes.map do |cause|
              cause.odds(equipment:, age_band:, recent_work:) * experience.rate_factor(equipment, cause)
            end
          Company.new(causes, sets, odds, age_band, equipment.side)
        end
      end

      # What the other fans of a unit say, kept by what was found there.
      # @return [Neighbours]
      def neighbours(found, &) = @neighbours.fetch(found, &)

      def unknown_odds = rules["unknown"]["odds"]

      # [chance of each state] under a set of causes.
      def state_of(set) = @state_of[set] ||= @chain.of(set)

      def state_of_unknown = spread(rules["unknown"]["motion"])

      # A table of motions as chances of the states.
      def spread(table) = @chain.spread(table)

      # The likelihood of a piece of evidence under each listed set, by state. One
      # plain answer, or a complaint, is met again and again, so it is kept.
      def likelihoods(one)
        return @chances[one.told] ||= weigh(one) if one.extra.size == 1 || one.complaint?
        weigh(one)
      end

      # How likely each listed set is before anything is seen, by state.
      # @return [Array<Array<Float>>] not to be changed
      def before(company)
        @before[company] ||= states.each_index.map { |m|
          company.weights.zip(states_of_sets).map { |one, row| one * row[m] }.freeze
        }
      end

      def chance(test, m, set, k) = @pictures.chance(test, m, set, k)

      def distribution(test, m, set) = @pictures.distribution(test, m, set)

      # The same as it would be named by somebody who errs now and then.
      def named(test, m, set)
        return misnamed(test, of_unknown(test, m)) unless set
        return misnamed(test, distribution(test, m, set)) if set.size > LISTED
        m = @pictures.alike(test, m)
        known = (@named[test.id] ||= states.map { {}.compare_by_identity })[m]
        # Most causes bear on few tests: what is seen under many sets is the same.
        known[set] ||= known[bearing(test, m, set)] ||= misnamed(test, distribution(test, m, set))
      end

      def of_unknown(test, m) = @pictures.of_unknown(test, m)

      def usual(test, m) = @pictures.usual(test, m)

      def cumulative(test, m) = @pictures.cumulative(test, m)

      def either(test, m) = @pictures.either(test, m)

      def ice(test, m) = @pictures.ice(test, m)

      # [chance of each state] under each listed set, in their order.
      def states_of_sets
        @states_of_sets ||= sets.map { |set| state_of(set) }.freeze
      end

      private

      # The listed set with the same picture of a test.
      def bearing(test, m, set)
        return set if set.empty?
        one, other = @pictures.bearing(test, m, set)
        return set if other
        one ? sets[1 + one] : NOTHING
      end

      def misnamed(test, clean)
        seen, astray, telling = 1 - test.mistake - test.astray, test.astray, test.telling
        Array.new(clean.size) { |k| seen * clean[k] + astray * telling[k] }
      end

      def weigh(one)
        states.each_index.inject([]) { |rows, m|
          first = @pictures.alike(one.test, m)
          rows << ((first == m) ? weigh_in(one, m) : rows[first])
        }
      end

      def weigh_in(one, m)
        row = Array.new(sets.size, one.base)
        row[0] = one.idle if one.idle
        one.extra.each { |k, weight| add(row, weight, one.test, m, k) }
        row
      end

      # The same as `chance` for every listed set at once: none, one cause, two.
      def add(row, weight, test, m, k)
        return add_either(row, weight, test, m, k) if test.either?(k)
        table, idle, ice = cumulative(test, m), usual(test, m)[k], ice(test, m)
        top, bottom = ice ? ice[k + 1] : 1.0, ice ? ice[k] : 1.0
        upto, below = table.map { |sums| sums ? sums[k + 1] : 1.0 }, table.map { |sums| sums ? sums[k] : 1.0 }
        row[0] += weight * @pictures.sound(test, m)[k]
        h = 1
        while h < row.size
          a, b = sets[h]
          bears = table[a] || (b && table[b])
          row[h] += weight * if bears
                      b ? upto[a] * upto[b] * top - below[a] * below[b] * bottom : upto[a] * top - below[a] * bottom
                    else
                      idle
                    end
          h += 1
        end
      end

      # The same of an outcome that may be named beside others.
      def add_either(row, weight, test, m, k)
        table, idle = either(test, m), usual(test, m)[k]
        row[0] += weight * @pictures.sound(test, m)[k]
        h = 1
        while h < row.size
          a, b = sets[h]
          one, other = table[a], b && table[b]
          one, other = other, nil unless one
          row[h] += weight * (one ? Chances.any(k, one, other) : idle)
          h += 1
        end
      end

      def rules = Diagnosis.rules
    end
  end
end
