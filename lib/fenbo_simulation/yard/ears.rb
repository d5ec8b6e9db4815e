# frozen_string_literal: true

module FenboSimulation
  module Yard
    # What is heard of a condition, by ear and by a recording.
    module Ears
      def noise
        return "chattering" if chatters?
        return hums? ? "hum_not_turning" : "silent" unless @is.turning?
        sounds = heard
        return "quiet_normal" if sounds.empty?
        confused(sounds.max_by { |_, level| level + @dice.between(0, 0.25) }.first)
      end

      def noise_with_fan_disconnected
        (@is.turning? && heard.any?) ? "stops" : "continues"
      end

      def sound_recording
        return hums? ? "hum" : "silent" unless @is.turning?
        return "unclear" if @dice.chance?(0.1)
        return "chatter" if chatters?
        kind = heard.max_by { |_, level| level + @dice.between(0, 0.15) }&.first
        {"grinding" => "bearing", "squealing" => @dice.chance?(0.6) ? "bearing" : "healthy", "ticking" => "strike",
         "scraping" => "scrape", "rumbling" => "imbalance", "rattling" => "imbalance"}.fetch(kind, "healthy")
      end

      private

      def chatters? = @is.contactor == "chatter" && @dice.chance?(0.7)

      def hums?
        @is.motion != "dead" && (@is.place.motor != "ec" || @dice.chance?(0.4))
      end

      # sound => how loud
      def heard
        bearing = @is.level("bearing_worn")
        dry = @is.fixed(:dry) { @dice.chance?(0.4) }
        {
          "grinding" => dry ? 0 : bearing, "squealing" => dry ? bearing : 0,
          "scraping" => (drag_sound == "scraping") ? dragging : 0,
          "ticking" => (drag_sound == "ticking") ? dragging : 0,
          "rumbling" => [@is.level("blade_damaged") * 0.95, @is.level("blade_fouled") * 0.7].max,
          "rattling" => [@is.level("mount_loose") * 0.9, @is.level("blade_loose") * 0.8].max
        }.select { |_, level| level > 0.3 }
      end

      def dragging
        [@is.level("blade_rubbing"), @is.level("blade_iced")].max + 0.25
      end

      def drag_sound
        return nil unless @is.fault?("blade_rubbing") || @is.fault?("blade_iced")
        @is.fixed(:drag) {
          @dice.pick(@is.fault?("blade_iced") ? {"ticking" => 6, "scraping" => 4} : {"scraping" => 7, "ticking" => 3})
        }
      end

      def confused(sound)
        near = {"grinding" => "rumbling", "rumbling" => "rattling", "rattling" => "rumbling",
                "squealing" => "scraping"}[sound]
        (near && @dice.chance?(0.1)) ? near : sound
      end
    end
  end
end
