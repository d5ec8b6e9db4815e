# frozen_string_literal: true

module Fenbo
  module JobFile
    # The outcome of one test. `reading` is the id of the reading it follows from;
    # `weights` its outcomes where an instrument left several open.
    Finding = Entry.of(
      test: String, outcome: String, note: Shape.maybe(String), override_reason: Shape.maybe(String),
      weights: Shape.maybe(Hash), reading: Shape.maybe(String)
    ) do
      # As `diagnose` takes it.
      def to_case
        {"test" => test, "outcome" => outcome, "position" => fan, "weights" => weights}.compact
      end

      def test_short = Diagnosis::Test[test].short

      def label = Diagnosis::Test[test].label(outcome)

      # Among others of its fan: "runs", "no air"
      def told = Diagnosis::Test[test].told(outcome)
    end
  end
end
