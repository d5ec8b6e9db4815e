# frozen_string_literal: true

module Fenbo
  module Matching
    class Nameplate < Tool
      # Phrases put together into one motor: currents laid beside their voltages, the
      # speed that counts here, and what follows without being printed.
      class Sense
        attr_reader :worked_out

        def initialize(phrases, question, limits)
          @question = question
          @limits = limits
          @given = phrases.map(&:gives).reduce({}) { |all, one| one.merge(all) }
          @worked_out = []
        end

        def motor
          @motor ||=
            @given.except("taps", "speeds", "amps", "kilowatts").merge(supply, speed, family, poles, power).compact
        end

        # What has to be asked because no plate of this kind can be used without it.
        def asks
          asked = []
          asked << "rotation_view" if %w[cw ccw].include?(motor["rotation"]) && motor["rotation_view"].nil?
          asked << "family" unless motor["family"]
          asked << "volts" unless motor["volts"]
          asked << "amps" if motor["amps"].nil? && motor["watts"].nil? && motor["horsepower"].nil?
          asked
        end

        private

        attr_reader :limits

        def supply
          taps = @given["taps"] || []
          {"volts" => (taps.flatten if taps.any?), "amps" => laid_out(@given["amps"], taps)}
        end

        # One current a connection stands for every voltage of its range.
        def laid_out(amps, taps)
          return amps if amps.nil? || amps.size != taps.size || taps.flatten.size == taps.size
          taps.zip(amps).flat_map { |tap, one| [one] * tap.size }
        end

        def speed
          speeds = @given["speeds"] || []
          return {"rpm" => speeds.first} if speeds.size < 2
          fast, slow = speeds.minmax.reverse
          unless two_supplies?(fast / slow)
            return {"rpm" => fast, "speeds" => speeds, "control" => @given["control"] || "taps"}
          end
          hertz = @question.hertz || 60
          note("rpm", (hertz < 55) ? slow : fast, "two speeds for 60 and 50 Hz, #{Quantities.tidy(hertz)} Hz here")
          {"rpm" => (hertz < 55) ? slow : fast, "hertz" => @given["hertz"] || [50.0, 60.0]}
        end

        def power
          kilowatts = @given["kilowatts"] or return {}
          return {"watts" => kilowatts * 1000} if @given["family"] == "ec"
          horsepower = (kilowatts * 1000 / limits["match.watts_per_horsepower"]).round(4)
          note("horsepower", horsepower, "#{Quantities.tidy(kilowatts)} kW at the shaft")
          {"horsepower" => @given["horsepower"] || horsepower}
        end

        def family
          return {} if @given["family"]
          found =
            if @given["phases"] == 3
              ["three_phase", "three phases"]
            elsif @given["capacitor_uf"]
              ["psc", "a run capacitor"]
            end
          return {} unless found
          note("family", *found)
          {"family" => found.first}
        end

        # The pair of poles whose field turns just faster than the shaft.
        def poles
          rpm = speed["rpm"]
          return {} if @given["poles"] || rpm.nil? || @given["family"] == "ec"
          hertz =
            (speed["hertz"] || @given["hertz"] || []).then do |all|
              (all.size > 1) ? (@question.hertz || all.max) : all.first
            end or return {}
          pairs = (1..8).select { |count| 60 * hertz / count * limits["plate.loaded"] >= rpm }.max or return {}
          note("poles", pairs * 2, "#{Quantities.tidy(rpm)} rpm at #{Quantities.tidy(hertz)} Hz")
          {"poles" => pairs * 2}
        end

        # 60 Hz turns a motor about a fifth faster than 50 Hz: the same connection, two supplies.
        def two_supplies?(ratio)
          Tolerance.between?(ratio, limits["plate.hertz_low"], limits["plate.hertz_high"])
        end

        def note(field, value, from)
          row = {field:, value:, from:}
          @worked_out << row unless @worked_out.include?(row)
        end
      end
    end
  end
end
