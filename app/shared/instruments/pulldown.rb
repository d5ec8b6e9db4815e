# frozen_string_literal: true

module Shared
  module Instruments
    # Box temperature against time after a repair: typed line by line, or a logger's
    # file.
    class Pulldown < Instrument
      def fields
        [
          Field.new(name: "setpoint", label: "Setpoint", kind: "box_temperature"),
          Field.new(
            name: "readings",
            label: "Readings, one a line: time or minute, then temperature",
            lines: true,
            hint: "“14:05  9,7” or “20; 8.0”. A logger's CSV can be chosen below."
          )
        ]
      end

      def working
        return [] unless result.tau_minutes
        [
          [
            "T(t) = T∞ + (T0 − T∞) × e^(−t/τ), least squares",
            "T∞ #{tidy(result.settles_c)} °C, τ #{tidy(result.tau_minutes)} min, residual " \
            "#{tidy(result.rmse_c)} K"
          ]
        ]
      end

      private

      def known
        {
          "setpoint" =>
            job && (c = job.unit.setpoint_c) && Fenbo::Quantities.typed(c, "box_temperature", user.unit_system)
        }
      end

      def question
        {"setpoint_c" => figure("setpoint", required: true), "readings" => rows}
      end

      # Clock times count from the first; minutes stand as they are.
      def rows
        log = LoggerFile.new(value("readings"), system: user.unit_system, most: Shop.limits["pulldown.most_readings"])
        faults["readings"] ||= log.fault if log.fault
        faults["readings"] ||= "Note a reading at least: the minute, and how warm the box was." if log.rows.empty?
        log.rows
      end

      def field_of(path) = (path == "setpoint_c") ? "setpoint" : "readings"

      def sentence(message) = "One of the readings #{message}."
    end
  end
end
