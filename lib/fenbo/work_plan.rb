# frozen_string_literal: true

module Fenbo
  # The work plan: made safe, taken apart, exchanged, put back, proved. Putting
  # back is never typed twice: it is the taking apart in reverse.
  #   Plan       the tool
  #   Recipe     a family's plan as written, its shared runs taken in
  #   Wanted     which of its rows this unit and task need
  #   ExtraWork  what an adaptation or a kit adds
  #   Step       one line of it
  #   Task       what a fault asks to be done
  #   Opening    which of them are done together
  #   Answers    how the unit of a job is, as its plan asks
  #   Progress   the plan of a job with what has been done of it
  #   AtSteps    what was measured, read and photographed at its steps
  #   Parts      what goes in by it
  #   Waiting    what a step of it waits for
  #   Tray       what came out and off, and is not back yet
  #   Check      whether the plans, as written, can be worked and reversed
  module WorkPlan
    autoload :Answers, "fenbo/work_plan/answers"
    autoload :AtSteps, "fenbo/work_plan/at_steps"
    autoload :Check, "fenbo/work_plan/check"
    autoload :ExtraWork, "fenbo/work_plan/extra_work"
    autoload :Opening, "fenbo/work_plan/opening"
    autoload :Parts, "fenbo/work_plan/parts"
    autoload :Plan, "fenbo/work_plan/plan"
    autoload :Progress, "fenbo/work_plan/progress"
    autoload :Recipe, "fenbo/work_plan/recipe"
    autoload :Sought, "fenbo/work_plan/sought"
    autoload :Step, "fenbo/work_plan/step"
    autoload :Task, "fenbo/work_plan/task"
    autoload :Tray, "fenbo/work_plan/tray"
    autoload :Waiting, "fenbo/work_plan/waiting"
    autoload :Wanted, "fenbo/work_plan/wanted"

    # What a plan may serve: motors, what sits on them, cleaning, and parts that are no motors.
    TASKS = %w[
      evaporator_fan_motor condenser_fan_motor fan_blade grommet conversion_kit cleaning contactor capacitor
      door_switch defrost_heater drain_heater defrost_termination gasket connector other_part
    ].freeze

    # Steps with which the locks are off again: nobody's hands are in it any more.
    LOCKS_OFF = %w[locks_off plugged_in].freeze
  end
end
