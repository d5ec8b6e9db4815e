# frozen_string_literal: true

module FenboSimulation
  module Senses
    # What is seen and heard of a fan from where one stands.
    module Fan
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
        rumour = {
          "squealing" => @rig[:squeal] ? 0.85 : 0.0,
          "grinding" => @rig[:roughness],
          "rattling" => @rig[:rattle],
          "rumbling" => @rig[:imbalance] * 1.1
        }
        loudest, level = rumour.max_by { |_, one| one + 0.12 * rand }
        (level > 0.28) ? loudest : "quiet_normal"
      end

      def noise_with_fan_disconnected
        (@rig.turning? && noise != "quiet_normal") ? "stops" : "continues"
      end

      def sound_recording
        return (still_noise == "silent") ? "silent" : "hum" if @rig.still?
        return "unclear" if rand < 0.08
        return "chatter" if @rig[:chatter]
        return {"scraping" => "scrape", "ticking" => "strike"}[@rig[:rub_sound]] if @rig[:rub_sound] && rand < 0.85
        return "bearing" if @rig[:roughness] > 0.25 || (@rig[:squeal] && rand < 0.4)
        (@rig[:imbalance] > 0.25) ? "imbalance" : "healthy"
      end

      def airflow
        graded(@rig.airflow + 0.06 * (rand - 0.5), 0.1 => "none", 0.72 => "weak") || "normal"
      end

      def blade_cleanliness
        return "caked" if @rig[:cake] > 0.4
        stood = @rig.still? && @rig[:hours] > 30 && rand < 0.6
        (stood || @rig[:cleaned_by_air]) ? "cleaner_than_surroundings" : "like_surroundings"
      end

      def blade_state = @rig[:blade_look]

      private

      # Enough torque to tremble, not enough to turn.
      def still_motion
        trembles = @rig.running.amps > 0.4 && @rig.running.start_share.between?(0.15, 1)
        ((trembles && rand < 0.6) || @rig[:module] == "twitches") ? "twitching" : "stopped"
      end

      def still_noise
        (@rig.running.amps > 0.4 || (@rig[:module] == "twitches" && rand < 0.4)) ? "hum_not_turning" : "silent"
      end
    end
  end
end
