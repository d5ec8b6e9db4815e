# frozen_string_literal: true

module Fenbo
  module JobFile
    # A step of the work plan that was done, with what was counted or measured, in SI.
    StepDone = Shape.of(
      step: String, by: Person, done_at: Time, fasteners: Shape.maybe(Integer), measured: Shape.maybe(Float),
      note: Shape.maybe(String)
    )

    # How far the job has come at one station.
    StationDone = Shape.of(
      station: String, state: String, by: Shape.maybe(Person), done_at: Shape.maybe(Time)
    ) do
      def done? = state == "done"
    end

    # One thing seen before the job is proved.
    ProofCheck = Shape.of(check: String, by: Person, done_at: Time)
  end
end
