# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What the other fans of the unit say. A cause that reaches them (a dead
    # supply, a contactor) should show there too; a fan that runs beside a still
    # one speaks against it, fans that all stand still speak for it.
    class Neighbours
      def initialize(case_file, model)
        @case_file = case_file
        @model = model
        @likelihoods = {}
      end

      # A factor for each hypothesis, "none of these" last.
      def factors
        positions = @case_file.neighbour_findings
        return Array.new(@model.sets.size + 1, 1.0) if positions.empty?
        known = Hash.new { |all, reaching| all[reaching] = positions.map { |position, findings| factor(reaching, position, findings) }.inject(1.0, :*) }.compare_by_identity
        @model.reaching.map { |reaching| known[reaching] } << positions.map { |position, findings| likelihood([], position, findings) }.inject(1.0, :*)
      end

      private

      # Each reaching cause strikes this neighbour or spares it: sum over both.
      def factor(reaching, position, findings)
        subsets(reaching).sum do |struck|
          chance = reaching.map { |cause| struck.include?(cause) ? reaches(cause, position) : 1 - reaches(cause, position) }.inject(1.0, :*)
          chance * likelihood(struck, position, findings)
        end
      end

      def subsets(list) = (0..list.size).flat_map { |size| list.combination(size).to_a }

      # On the other side of the unit only what belongs to the whole unit reaches.
      def reaches(cause, position)
        (cause.unit? || position.start_with?(@model.equipment.side)) ? cause.reaches : 0.0
      end

      def likelihood(struck, position, findings)
        @likelihoods[[struck, position]] ||= struck.empty? ? untouched(findings) : under(struck, @model.motion_of(struck), findings)
      end

      def untouched(findings)
        own = Diagnosis.rules["neighbour"]
        well = under([], @model.spread(own["motion"]), findings)
        (1 - own["own_fault"]) * well + own["own_fault"] * over_motions(@model.motion[@model.unknown], findings) { |test, m| @model.of_unknown(test, m) }
      end

      def under(struck, motion, findings)
        over_motions(motion, findings) { |test, m| @model.of_set(test, m, struck) }
      end

      def over_motions(motion, findings)
        motion.each_with_index.sum do |chance, m|
          chance * findings.map { |finding| yield(finding.test, m)[finding.test.outcomes.index(finding.outcome)] }.inject(1.0, :*)
        end
      end
    end
  end
end
