# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What a fault asks to be done: by the action decided, the part its cause wants and the
    # part chosen. Source: company/parts.
    module Task
      # Parts of causes.yml that have a plan of their own.
      BY_PART = {
        "blade" => "fan_blade", "capacitor" => "capacitor", "contactor" => "contactor", "switch" => "door_switch",
        "heater" => "defrost_heater", "gasket" => "gasket", "connector" => "connector", "mount" => "grommet",
        "termination" => "defrost_termination", "relay" => "other_part", "control" => "other_part",
        "damper" => "other_part"
      }.freeze

      module_function

      # Tasks that make sense at this fan.
      # @return [Array<String>]
      def possible(family, side)
        Recipe.of(family).tasks.keys.select { |task| side == Wanted::SIDES.fetch(task, side) }
      end

      # @param fault [JobFile::Fault]
      def for_fault(family, fault)
        tasks = possible(family, fault.fan.side)
        [wanted(fault), fallback(fault), motor(fault.fan.side)].compact.find { |task| tasks.include?(task) }
      end

      # The plan for one cause decided beside another; nil where there is none of its own here.
      # @param cause [Diagnosis::Cause]
      def for_cause(family, side, cause)
        task = cause.task || BY_PART[cause.part] || ((cause.part == "motor") ? motor(side) : nil)
        task if possible(family, side).include?(task)
      end

      def motor(side) = "#{side}_fan_motor"

      # The plan by which the part chosen for a fault goes in; nil where none is.
      # @param fault [JobFile::Fault]
      def for_part(family, fault)
        return nil unless fault.part_choice&.thing
        tasks = possible(family, fault.fan.side)
        [of_part(fault), fallback(fault), motor(fault.fan.side)].compact.find { |task| tasks.include?(task) }
      end

      # The part chosen for a work, where that is what it goes in by: a cleaning beside it has
      # nothing to do with what the new motor needs.
      # @param work [Opening::Work]
      # @return [JobFile::PartChoice, nil]
      def choice(family, work)
        work.fault.part_choice if work.task == for_part(family, work.fault)
      end

      def wanted(fault)
        return "cleaning" if fault.decision&.action == "clean"
        of_part(fault) || first_cause(fault)&.task || BY_PART[fault.part]
      end

      def of_part(fault)
        return "conversion_kit" if fault.part_choice&.motor&.kit_contents
        return motor(fault.fan.side) if fault.part_choice&.motor
        Matching::SpareKind[fault.part_choice.spare.kind].task if fault.part_choice&.spare
      end

      # A part without a plan of its own here is worked as any other part.
      def fallback(fault)
        "other_part" if fault.part_choice&.spare || (fault.part_choice.nil? && BY_PART.key?(fault.part))
      end

      def first_cause(fault)
        Diagnosis::Cause.all[fault.decision&.causes&.first]
      end
    end
  end
end
