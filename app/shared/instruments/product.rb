# frozen_string_literal: true

module Shared
  module Instruments
    # How long goods can wait, without a job.
    class Product < Instrument
      def fields
        [
          Field.new(name: "now", label: "Box now", kind: "box_temperature", group: "The box"),
          Field.new(name: "limit", label: "Must stay below", kind: "box_temperature", group: "The box"),
          Field.new(
            name: "end",
            label: "Where it would end up",
            kind: "box_temperature",
            group: "The box",
            hint: "Without cooling: the room around it, or what the other fans can hold."
          ),
          Field.new(name: "earlier", label: "An earlier reading", kind: "box_temperature", group: "Its pace"),
          Field.new(name: "ago", label: "How long before", kind: "duration", group: "Its pace"),
          Field.new(
            name: "family",
            label: "Else: what it is",
            options: Fenbo::Knowledge.table("families").transform_values { |row| row["label"] },
            group: "Its pace"
          )
        ]
      end

      def working
        tau = result.tau_hours or return []
        lines = [
          [
            "T(t) = Te − (Te − T0) × e^(−t/τ)",
            "Te #{tidy(asked["end_c"])} °C, T0 #{tidy(asked["now_c"])} °C, τ #{tidy(tau)} h"
          ]
        ]
        return lines unless result.verdict == "hours"
        lines +
          [
            [
              "t = −τ × ln((Te − limit) ÷ (Te − T0))",
              "−#{tidy(tau)} × ln(#{tidy(asked["end_c"] - asked["limit_c"])} ÷ " \
              "#{tidy(asked["end_c"] - asked["now_c"])}) = #{tidy(result.hours_to_limit)} h"
            ]
          ]
      end

      private

      def known = {"family" => "walk_in_cooler"}

      def question
        earlier, minutes = figure("earlier"), figure("ago")
        faults["ago"] ||= "How long before that was read, for instance “2 h”." if earlier && minutes.nil?
        faults["earlier"] ||= "What was read then." if minutes && earlier.nil?
        {
          "now_c" => figure("now", required: true),
          "end_c" => figure("end", required: true),
          "limit_c" => figure("limit", required: true),
          "family" => value("family"),
          "earlier" => ({"c" => earlier, "hours_ago" => minutes / 60.0} if earlier && minutes)
        }.compact
      end

      def field_of(path)
        {
          "now_c" => "now",
          "end_c" => "end",
          "limit_c" => "limit",
          "earlier.c" => "earlier",
          "earlier.hours_ago" => "ago"
        }.fetch(path, "family")
      end
    end
  end
end
