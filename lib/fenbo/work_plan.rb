# frozen_string_literal: true

module Fenbo
  # The work plan: made safe, taken apart, exchanged, put back, proved. Putting
  # back is never typed twice: it is the taking apart in reverse.
  #   Plan  the tool
  #   Step  one line of it
  module WorkPlan
    autoload :Plan, "fenbo/work_plan/plan"
    autoload :Progress, "fenbo/work_plan/progress"
    autoload :Step, "fenbo/work_plan/step"

    TASKS = %w[evaporator_fan_motor condenser_fan_motor fan_blade grommet conversion_kit].freeze
  end
end
