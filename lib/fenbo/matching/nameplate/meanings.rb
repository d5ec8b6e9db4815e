# frozen_string_literal: true

module Fenbo
  module Matching
    class Nameplate < Tool
      # What each kind of figure gives to the motor: [fields, words]. A dash between
      # voltages is a range on one tap, a stroke separates taps: "208-230/460" has one
      # current for 208 and 230 and another for 460.
      class Meanings
        MM = 25.4

        # @param limits [Limits] the shop's
        def initialize(limits)
          @limits = limits
        end

        def part_no(match) = [{"part_no" => match[:value]}, "part number"]

        def capacitor(match)
          volts = match[:volts]&.to_f
          [
            {"capacitor_uf" => match[:value].to_f, "capacitor_volts" => volts}.compact,
            "run capacitor#{", rated #{match[:volts]} V" if volts}"
          ]
        end

        # "1/2 X 6" is in inches, "12 X 150" is not.
        def shaft(match)
          metric =
            (match[:unit] == "") ? share(match[:value]) > @limits["plate.shaft_inches"] : match[:unit] == "MM"
          across, long =
            [share(match[:value]), named(match, :length)&.to_f].map do |size|
              size && (size * (metric ? 1 : MM)).round(2)
            end
          [
            {"shaft_diameter_mm" => across, "shaft_length_mm" => long}.compact,
            "shaft, #{Quantities.tidy(across)} mm across#{", #{Quantities.tidy(long)} mm long" if long}"
          ]
        end

        def power_factor(match) = [{}, "power factor"]

        def ambient(match)
          high, low = [match[:value], match[:low]].map { |text| text && celsius(text.to_f, match[:unit]) }
          [
            {"ambient_high_c" => high, "ambient_low_c" => low}.compact,
            "air of #{"#{Quantities.tidy(low)} to " if low}#{Quantities.tidy(high)} °C"
          ]
        end

        def rpm(match)
          many(match[:value]).then do |speeds|
            [{"speeds" => speeds}, (speeds.size > 1) ? "speeds" : "speed at full load"]
          end
        end

        def hertz(match) = [{"hertz" => many(match[:value])}, "line frequency"]

        def horsepower(match)
          share(match[:value]).then do |hp|
            [
              {"horsepower" => hp.round(4)},
              "shaft output, #{(hp * @limits["match.watts_per_horsepower"]).round} W"
            ]
          end
        end

        def locked_rotor_amps(match)
          [{"locked_rotor_amps" => match[:value].to_f}, "amps with the rotor held"]
        end

        def service_factor_amps(match)
          [{"service_factor_amps" => match[:value].to_f}, "amps at the service factor"]
        end

        def service_factor(match)
          [{"service_factor" => match[:value].to_f}, "service factor"]
        end

        # Kilowatts are what a motor gives at its shaft, but on an EC motor what it takes in. Of two
        # watts far apart the lesser is given and the greater taken in; two near each other are
        # those of two frequencies.
        def watts(match)
          return {"kilowatts" => match[:value].to_f}, "rated power" if named(match, :unit) == "KW"
          lesser, greater = many(match[:value]).minmax
          if lesser >= greater * @limits["plate.output_share"]
            return {"watts" => match[:value].to_f}, "watts taken in"
          end
          [{"watts" => greater, "horsepower" => (lesser / @limits["match.watts_per_horsepower"]).round(6)},
            "#{Quantities.tidy(lesser)} W at the shaft, #{Quantities.tidy(greater)} W taken in"]
        end

        def volts(match)
          taps = match[:value].split("/").map { |tap| many(tap) }
          [{"taps" => taps}, (taps.size > 1) ? "supply, #{taps.size} connections" : "supply"]
        end

        def amps(match)
          factor = (named(match, :unit) == "MA") ? 0.001 : 1
          [{"amps" => many(match[:value]).map { |one| one * factor }}, "full load amps"]
        end

        def phases(match)
          [{"phases" => match[:value].to_i}, (match[:value] == "1") ? "one phase" : "three phases"]
        end

        def poles(match) = [{"poles" => match[:value].to_i}, "poles"]

        def insulation(match) = [{}, "insulation class #{match[:value]}"]

        def protection(match)
          [
            (match[:value].to_i >= @limits["plate.ip_tight"]) ? {"enclosure" => "enclosed"} : {},
            "protection against dust and water"
          ]
        end

        def rotation(match)
          sense = match[:value].match?(/\A(CCW|COUNTER|ANTI)/) ? "ccw" : "cw"
          view = named(match, :end) && Knowledge.table("nameplate")["ends"][match[:end]]
          [
            {"rotation" => sense, "rotation_view" => view}.compact,
            (
              if view
                Rotation.words(Rotation.canonical(sense, view))
              else
                "#{Rotation::WORDS[sense]}, from which end is not said"
              end
            )
          ]
        end

        def many(text) = text.split(%r{\s*[/-]\s*}).map(&:to_f)

        # "1/15", "1 1/2" or "0.25"
        def share(text)
          return text.to_f unless text.include?("/")
          whole, part = text.strip.match(%r{\A(?:(\d+)\s+)?(\d+\s*/\s*\d+)\z}).captures
          top, bottom = part.split("/").map(&:to_f)
          bottom.zero? ? 0.0 : whole.to_f + top / bottom
        end

        def celsius(value, unit)
          (unit == "F") ? ((value - 32) / 1.8).round(1) : value
        end

        def named(match, name)
          match.names.include?(name.to_s) ? match[name] : nil
        end
      end
    end
  end
end
