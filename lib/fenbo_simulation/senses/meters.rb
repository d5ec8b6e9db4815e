# frozen_string_literal: true

module FenboSimulation
  module Senses
    # What clamp, meter and probe show.
    module Meters
      def voltage_at_motor
        volts = @rig.terminal_volts
        return "in_range" if @rig.motor == "ec" && !@rig[:calling] && @rig[:supply_on] && rand < 0.7
        graded(volts + 0.01 * (rand - 0.5), 0.2 => "absent", 0.9 => "low", 1.1 => "in_range") || "high"
      end

      def voltage_balance
        return "phase_missing" if @rig[:unbalance] > 30
        (@rig[:unbalance] > 2) ? "unbalanced" : "balanced"
      end

      def amps
        ratio = @rig.running.amps * (1 + 0.05 * (rand - 0.5)) * (1 + @rig[:unbalance].clamp(0, 10) * 0.03 * rand)
        return "none" if ratio < 0.05
        if @rig.still? &&
            ratio >= Fenbo::Limits.default["locked_ratio.#{(@rig.motor == "ec") ? "shaded_pole" : @rig.motor}"] * 0.97
          return "locked"
        end
        graded(ratio, 0.75 => "under", 1.1 => "within") || "over"
      end

      def amps_beside_neighbours
        others = (if @rig.any_neighbour_runs?
                    0.93
                  else
                    (@rig.energised? ? 0.93 : 0.0)
        end)
        difference = @rig.running.amps - others
        return "alike" if difference.abs < 0.1
        difference.positive? ? "higher" : "lower"
      end

      def motor_heat
        graded(@rig.heat * (0.75 + 0.5 * rand), 1.25 => "normal", 2.3 => "hot") || "very_hot"
      end

      def terminal_temperature
        (@rig[:terminal_kelvin] > 3 && @rig.running.amps > 0.1) ? "one_hot" : "even"
      end

      def winding_ohms
        return (@rig[:winding_open] == "one_phase" && rand < 0.5) ? "unbalanced" : "open" if @rig[:winding_open]
        return "normal" if @rig[:shorted] < 0.06
        (@rig[:shorted] > 0.12) ? "low" : %w[low unbalanced].sample(random: @random)
      end

      def insulation
        graded(@rig[:megohms], 1 => "fail", 5 => "watch") || "good"
      end

      def capacitor
        graded(@rig[:capacitor] + 0.01 * (rand - 0.5), 0.05 => "open", 0.94 => "weak", 1.06 => "within") || "high"
      end

      def defrost_heater_ohms = @rig[:heater_open] ? "open" : "good"
    end
  end
end
