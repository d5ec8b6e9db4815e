# frozen_string_literal: true

module Shared
  module Instruments
    # Three legs side by side: unbalance of volts and amps, and the leads rolled.
    class Phases < Instrument
      VOLTS = {"volts_ab" => "a–b", "volts_bc" => "b–c", "volts_ca" => "c–a"}.freeze
      AMPS = {"amps_a" => "Line a", "amps_b" => "Line b", "amps_c" => "Line c"}.freeze
      ROLLED = {"rolled_a" => "Line a", "rolled_b" => "Line b", "rolled_c" => "Line c"}.freeze

      PLATE = [
        Field.new(name: "plate_amps", label: "Amps", kind: "current", group: "Nameplate, to judge the load by"),
        Field.new(name: "service_factor", label: "Service factor", group: "Nameplate, to judge the load by")
      ].freeze

      def fields
        VOLTS.map { |name, label| Field.new(name:, label:, kind: "voltage", group: "Volts, line to line") } +
          AMPS.map { |name, label| Field.new(name:, label:, kind: "current", group: "Amps") } +
          ROLLED.map do |name, label|
            Field.new(
              name:,
              label:,
              kind: "current",
              group: "Amps after all leads moved one step (a to b, b to c, c to a)"
            )
          end + (fan ? [] : PLATE)
      end

      # One typing serves the legs' balance, their load and what stands at the motor.
      def findings
        return dead if result.verdict == "no_supply"
        {**balance, **load}
      end

      def working
        [["volts", :volts], ["amps", :amps]].filter_map do |key, figure|
          row = result[figure] or next
          values = asked[key]
          deviation = values.map { |one| (one - row.mean).abs }.max
          [
            "#{key}: unbalance = 100 × largest deviation ÷ mean",
            "100 × #{tidy(deviation)} ÷ #{tidy(row.mean)} = #{tidy(row.unbalance_percent)} %"
          ]
        end
      end

      private

      def question
        {
          "volts" => three(VOLTS),
          "amps" => three(AMPS),
          "rolled_amps" => three(ROLLED),
          "meter" => user.meter_for_core,
          "nameplate_amps" => plate ? plate.amps_at(site_volts) : figure("plate_amps"),
          "service_factor" => plate ? plate.service_factor : number("service_factor")
        }.compact
      end

      # Nothing on any leg: no supply, as far as its volts were read.
      def dead = result.volts ? {"voltage_at_motor" => "absent"} : {}

      def balance
        return {"voltage_balance" => "phase_missing"} if result.lost_leg
        said = result.volts&.verdict or return {}
        {"voltage_balance" => %w[good watch].include?(said) ? "balanced" : "unbalanced"}
      end

      # Of the fan whose plate it was judged by.
      def load
        said = fan && result.amps&.load
        Fenbo::Diagnosis::Test["amps"].outcomes.include?(said) ? {"amps" => said} : {}
      end

      # All three or none: one missing is told at its field.
      def three(names)
        given = names.keys.map { |name| figure(name) }
        return nil if given.none? && names.keys.none? { |name| faults.key?(name) }
        names.keys.each_with_index { |name, index| faults[name] ||= "All three legs, please." if given[index].nil? }
        given
      end

      def field_of(path)
        table = {"volts" => VOLTS, "amps" => AMPS, "rolled_amps" => ROLLED}.fetch(path[/\A\w+/], VOLTS)
        table.keys[path[/\d\z/].to_i]
      end
    end
  end
end
