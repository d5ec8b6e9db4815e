# frozen_string_literal: true

module Fenbo
  module JobFile
    # A step of a work plan that was done, with what was counted or measured, in SI. `fan`,
    # `fault` and `task` say of which plan (nil in older files: the motor of the fan in hand); `skipped`
    # with its reason in `note` where it was left out.
    StepDone = Shape.of(
      step: String, fan: Shape.maybe(String), fault: Shape.maybe(String), task: Shape.maybe(String), by: Person,
      done_at: Time,
      fasteners: Shape.maybe(Integer), measured: Shape.maybe(Float), note: Shape.maybe(String),
      skipped: Shape.maybe(Shape::FLAG)
    ) do
      def skipped? = skipped == true
    end

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
