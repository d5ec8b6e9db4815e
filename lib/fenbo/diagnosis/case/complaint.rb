# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What the caller tells of, ids of `complaint` in inference.yml. It is about the unit: what was
    # found at another fan explains it there, and is no sign of this one.
    Complaint =
      Value.of(:kinds) do
        define_singleton_method(:read) do |context|
          known = Diagnosis.rules["complaint"]["kinds"].keys
          kinds = context.list("complaint", required: false).each_with_index.filter_map do |kind, index|
            next kind if known.include?(kind)
            context.fault("complaint.#{index}", "is not known here; use one of #{known.join(", ")}")
          end
          new(kinds:)
        end

        # @param elsewhere [Array<Finding>] of the other fans, oldest first
        # @return [Array<Evidence>] one for each that nothing elsewhere explains
        def evidence(elsewhere)
          latest = elsewhere.to_h { |one| [[one.position, one.test_id], one.outcome] }
          seen = latest.map { |(_, test), outcome| [test, outcome] }
          kinds
            .map { |kind| Diagnosis.rules["complaint"]["kinds"][kind] }
            .reject { |row| seen.any? { |test, outcome| test == row["test"] && !row["ordinary"].include?(outcome) } }
            .map { |row| Evidence.complaint(row) }
        end
      end
  end
end
