# frozen_string_literal: true

module Shared
  module Instruments
    # Three legs side by side: unbalance of volts and amps, and the leads rolled.
    class Phases < Instrument
      VOLTS = {"volts_ab" => "a–b", "volts_bc" => "b–c", "volts_ca" => "c–a"}.freeze
      AMPS = {"amps_a" => "Line a", "amps_b" => "Line b", "amps_c" => "Line c"}.freeze
      ROLLED = {"rolled_a" => "Line a", "rolled_b" => "Line b", "rolled_c" => "Line c"}.freeze

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
          end
      end

      def findings
        return {"voltage_balance" => "phase_missing"} if result.lost_leg
        balance = result.volts&.verdict or return {}
        {"voltage_balance" => %w[good watch].include?(balance) ? "balanced" : "unbalanced"}
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
          "meter" => user.meter_for_core
        }.compact
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
