# frozen_string_literal: true

module Shared
  module Instruments
    # What was changed, driven through every step of its control: watts at 0, 5 and 10 V, or
    # the fans that run at each stage.
    class Driven < Instrument
      SIGNAL = Fenbo::Proof::Driven::SIGNAL
      MOST_STAGES = 8

      def self.staged?(job)
        Fenbo::Knowledge.table("families")[job.unit.family]["traits"].include?("staged")
      end

      def fields
        own = staged? ? stages : signal
        if fan
          own
        else
          [kind_field, *(staged? ? [fans_field] : [plate_field]), *own]
        end
      end

      def staged?
        return value("kind") == "stages" unless fan
        plate&.control != "0_10v" && self.class.staged?(job)
      end

      private

      def kind_field
        Field.new(name: "kind", label: "Driven by", options: {"volts" => "0 to 10 V", "stages" => "Stages"})
      end

      def plate_field
        Field.new(name: "plate_watts", label: "Plate", kind: "power")
      end

      def fans_field = Field.new(name: "fans", label: "Fans of the bank")

      def signal
        SIGNAL.map do |volts|
          Field.new(name: "at_#{volts.to_i}", label: "At #{volts.to_i} V", kind: "power", group: "Watts at each signal")
        end
      end

      def stages
        (1..stage_count).map do |stage|
          Field.new(name: "stage_#{stage}", label: "Stage #{stage}", group: "Fans that run at each stage")
        end
      end

      def stage_count = (bank || MOST_STAGES).clamp(2, MOST_STAGES)

      def bank = job && job.unit.fans.count { |one| one.side == fan.side }

      def known = {"kind" => "volts"}

      def question
        {"kind" => staged? ? "stages" : "volts", "steps" => staged? ? stage_steps : signal_steps,
         "plate_watts" => fan ? plate&.watts : figure("plate_watts"), "fans" => bank || number("fans")&.to_i}.compact
      end

      def signal_steps
        SIGNAL.filter_map { |volts| (watts = figure("at_#{volts.to_i}")) && {"at" => volts, "watts" => watts} }
      end

      def stage_steps
        (1..stage_count).filter_map { |stage| (on = number("stage_#{stage}")) && {"at" => stage, "running" => on} }
      end

      def field_of(path)
        return path unless path.start_with?("steps")
        fields.find { |field| field.group }.name
      end
    end
  end
end
