# frozen_string_literal: true

module Fenbo
  module Simulation
    # What somebody with eyes, ears, hands and meters makes of a rig: each test's
    # outcome, from its figures, through senses that blur and a share of plain
    # mistakes. Asked again they look at the same thing, and may err anew.
    class Observer
      MISTAKE = 0.05
      TOLD = 0.7

      attr_reader :rig

      def initialize(rig, random, mistake: MISTAKE)
        @rig = rig
        @random = random
        @mistake = mistake
        @boxes = Boxes.new(rig)
        @seen = {}
      end

      # @return [String] an outcome of the test, right or mistaken
      def see(test_id)
        right = @seen[test_id] ||= public_send(test_id)
        return right if @random.rand >= @mistake
        (Diagnosis::Test[test_id].outcomes - [right]).sample(random: @random)
      end

      # What the caller complains of; seldom everything, never nothing.
      def complaint
        told = symptoms.select { @random.rand < TOLD }
        told.empty? ? symptoms.sample(1, random: @random) : told
      end

      # What a caller could notice: ids of complaints in inference.yml.
      def symptoms
        kinds = Diagnosis.rules["complaint"]["kinds"].select { |_, row| test?(row["test"]) }
        @symptoms ||= kinds.reject { |_, row| row["ordinary"].include?(@seen[row["test"]] ||= public_send(row["test"])) }.keys
      end

      # What a neighbour does, from across the room.
      def neighbour_motion(index)
        runs = @rig.neighbour_runs?(index) ^ (@random.rand < @mistake)
        runs ? "normal" : "stopped"
      end

      def fan_motion
        return still_motion if @rig.still?
        return "intermittent" if @rig[:intermittent]
        return "reversed" if @rig[:direction] == -1
        return "intermittent" if @rig.heat > 2.6 && rand < 0.5
        slow = @rig.running.speed < 0.82 || (@rig[:slip] && @rig[:blade_load] < 0.35)
        slow ? "slow" : "normal"
      end

      def noise
        return "chattering" if @rig[:chatter] && rand < 0.75
        return still_noise if @rig.still?
        return @rig[:rub_sound] if @rig[:rub_sound] && rand < 0.92
        rumour = {"squealing" => @rig[:squeal] ? 0.85 : 0.0, "grinding" => @rig[:roughness], "rattling" => @rig[:rattle], "rumbling" => @rig[:imbalance] * 1.1}
        loudest, level = rumour.max_by { |_, one| one + 0.12 * rand }
        (level > 0.28) ? loudest : "quiet_normal"
      end

      def noise_with_fan_disconnected = (@rig.turning? && noise != "quiet_normal") ? "stops" : "continues"

      def sound_recording
        return (still_noise == "silent") ? "silent" : "hum" if @rig.still?
        return "unclear" if rand < 0.08
        return "chatter" if @rig[:chatter]
        return {"scraping" => "scrape", "ticking" => "strike"}[@rig[:rub_sound]] if @rig[:rub_sound] && rand < 0.85
        return "bearing" if @rig[:roughness] > 0.25 || (@rig[:squeal] && rand < 0.4)
        (@rig[:imbalance] > 0.25) ? "imbalance" : "healthy"
      end

      def airflow = graded(@rig.airflow + 0.06 * (rand - 0.5), 0.1 => "none", 0.72 => "weak") || "normal"

      def blade_cleanliness
        return "caked" if @rig[:cake] > 0.4
        stood = @rig.still? && @rig[:hours] > 30 && rand < 0.6
        (stood || @rig[:cleaned_by_air]) ? "cleaner_than_surroundings" : "like_surroundings"
      end

      def blade_state = @rig[:blade_look]

      def box_temperature
        over = @boxes.over + 1.2 * (rand - 0.5)
        return "too_cold" if over < -2
        graded(over, 2 => "normal", 8 => "warm") || "very_warm"
      end

      def compartments
        return "fresh_warm_freezer_cold" if @rig[:damper] == "stuck_closed" && rand < 0.85
        return "both_normal" if @boxes.over < 2
        (@rig[:compressor] && @rig[:supply_on] && @rig[:charge] > 0.6 && @rig.side == "evaporator" && @boxes.air < 0.75) ? "fresh_warm_freezer_cold" : "both_warm"
      end

      def water_present = (rand < [@rig[:moisture] * 0.9, 0.08].max) ? "yes" : "no"

      def frost_pattern = @boxes.frost(@random)

      def coil_through_light = (@rig[:coil] == "open" && @boxes.frost(@random) == "even_blocked") ? "iced" : @rig[:coil]

      def condenser_face = (@rig[:condenser] == "clean" && rand < 0.22) ? "dirty" : @rig[:condenser]

      def load_blocking_air = (@rig[:load_in_the_way] || rand < 0.05) ? "yes" : "no"

      def door_seal = (@rig[:seal] == "leaks" || rand < 0.08) ? "leaks" : "good"

      def sight_glass = (@rig[:charge] < 0.8 || rand < 0.06) ? "flashing" : "clear"

      def setting = @rig[:setting]

      def unit_alive = (@rig[:supply_on] && !(@rig[:setting] == "wrong_or_off" && !@rig[:calling] && rand < 0.2)) ? "alive" : "all_dead"

      def control_call
        return "not_calling" if !@rig[:calling]
        if @rig[:control_works] && @rig[:supply_on]
          "calling"
        else
          (@rig[:supply_on] ? "should_call_but_does_not" : %w[should_call_but_does_not calling not_calling].sample(random: @random))
        end
      end

      def door_switch_held = (@rig.turning? || (@rig[:why_off] == "door")) ? "fan_runs" : "no_change"

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
        return "locked" if @rig.still? && ratio >= Limits.default["locked_ratio.#{(@rig.motor == "ec") ? "shaded_pole" : @rig.motor}"] * 0.97
        graded(ratio, 0.75 => "under", 1.1 => "within") || "over"
      end

      def amps_beside_neighbours
        others = if @rig.any_neighbour_runs?
          0.93
        else
          (@rig.energised? ? 0.93 : 0.0)
        end
        difference = @rig.running.amps - others
        return "alike" if difference.abs < 0.1
        difference.positive? ? "higher" : "lower"
      end

      def motor_heat = graded(@rig.heat * (0.75 + 0.5 * rand), 1.25 => "normal", 2.3 => "hot") || "very_hot"

      def terminal_temperature = (@rig[:terminal_kelvin] > 3 && @rig.running.amps > 0.1) ? "one_hot" : "even"

      def discharge_air_difference
        return "near_zero_coil_warm" if !@rig[:compressor] || !@rig[:supply_on] || @rig[:charge] < 0.5
        (@boxes.air < 0.3) ? "near_zero_coil_cold" : "normal"
      end

      def forced_defrost = (@rig[:defrost_heats] && @rig[:supply_on]) ? "heats" : "no_heat"

      def spin_by_hand
        drag = @rig[:friction] + @rig[:rub] + @rig[:ice_torque]
        return "seized" if drag > 2
        return "gritty" if @rig[:roughness] > 0.42 && rand < 0.85
        (drag > 0.22) ? "stiff" : "free"
      end

      def shaft_play = (@rig[:play] > 0.35) ? "rocks" : "none"

      def hub_grip = @rig[:slip] ? "slips" : "tight"

      def winding_ohms
        return (@rig[:winding_open] == "one_phase" && rand < 0.5) ? "unbalanced" : "open" if @rig[:winding_open]
        return "normal" if @rig[:shorted] < 0.06
        (@rig[:shorted] > 0.12) ? "low" : %w[low unbalanced].sample(random: @random)
      end

      def insulation = graded(@rig[:megohms], 1 => "fail", 5 => "watch") || "good"

      def capacitor = graded(@rig[:capacitor] + 0.01 * (rand - 0.5), 0.05 => "open", 0.94 => "weak", 1.06 => "within") || "high"

      def connector_look = @rig[:connector_look]

      def contactor_look = (@rig[:contactor_points] == "good" && rand < 0.06) ? "pitted_or_burnt" : @rig[:contactor_points]

      def nameplate_check = @rig[:plate]

      def mount_check = @rig[:mount]

      def drain_check = @rig[:drain]

      def defrost_heater_ohms = @rig[:heater_open] ? "open" : "good"

      def damper_check = @rig[:damper]

      private

      def rand = @random.rand

      def test?(id) = @rig.equipment.test?(Diagnosis::Test[id])

      # The outcome of the first step that `value` lies under; nil above them all.
      def graded(value, steps) = steps.find { |limit, _| value < limit }&.last

      # Enough torque to tremble, not enough to turn.
      def still_motion
        trembles = @rig.running.amps > 0.4 && @rig.running.start_share.between?(0.15, 1)
        ((trembles && rand < 0.6) || @rig[:module] == "twitches") ? "twitching" : "stopped"
      end

      def still_noise = (@rig.running.amps > 0.4 || (@rig[:module] == "twitches" && rand < 0.4)) ? "hum_not_turning" : "silent"
    end
  end
end
