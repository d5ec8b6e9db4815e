# frozen_string_literal: true

module Fenbo
  module Matching
    # One blade against the old one, its motor and its opening: diameter, gap at the tips,
    # rotation, air, bore, hub, and what it asks of the shaft.
    class BladeChecks
      def initialize(blade, question, limits)
        @blade = blade
        @question = question
        @limits = limits
      end

      def lines = [diameter, gap, rotation, air, bore, hub, load].compact

      private

      attr_reader :blade, :limits

      def old = @question.old

      def drive = @question.drive

      def line(check, result, reason)
        Checks::Line.new(check:, result:, reason:)
      end

      # −2 to +0 % of the old one in the same opening.
      def diameter
        unless blade.diameter_mm && old.diameter_mm
          return line("diameter", "adapt", "a diameter is not known: measure before buying")
        end
        off = blade.diameter_mm / old.diameter_mm.to_f - 1
        text = "#{figure(blade.diameter_mm)} mm for #{figure(old.diameter_mm)} mm"
        line("diameter", Tolerance.between?(off, -limits["blades.smaller"], 0) ? "pass" : "fail", text)
      end

      def gap
        gap = Clearance::TipGap.of(@question.orifice_mm, blade.diameter_mm, limits) or return
        return line("gap", "pass", gap.words) if gap.holds?
        if blade.equal?(old)
          line("gap", "adapt", "#{gap.words}: was it ever the right one?")
        else
          line("gap", "fail", gap.words)
        end
      end

      # Against the motor where both are known, else against the old blade.
      def rotation
        wanted = (%w[cw ccw].include?(drive.rotation) && drive.rotation) || old.motor_sense
        return line("rotation", "adapt", "which way it has to turn is not known") unless blade.motor_sense && wanted
        if blade.motor_sense == wanted
          return (
            line(
              "rotation",
              "pass",
              "#{Rotation::WORDS[blade.rotation]} from the discharge side, " \
              "#{drive.rotation ? "as the motor turns" : "as the old one"}"
            )
          )
        end
        line(
          "rotation",
          "fail",
          "#{Rotation::WORDS[blade.rotation]} from the discharge side: the motor turns the other way"
        )
      end

      def air
        return nil unless blade.air && old.air
        if blade.air == old.air
          line("air", "pass", "air #{blade.air.tr("_", " ")}")
        else
          line("air", "fail", "air #{blade.air.tr("_", " ")}, the old one blew #{old.air.tr("_", " ")}")
        end
      end

      def bore
        shaft = drive.shaft_mm || old.bore_mm
        return nil unless blade.bore_mm && shaft
        off = blade.bore_mm - shaft
        text = "#{figure(blade.bore_mm)} mm bore on a #{figure(shaft)} mm shaft"
        return line("bore", "pass", text) if Tolerance.at_most?(off.abs, limits["match.shaft_tolerance"])
        off.positive? ? line("bore", "adapt", "#{text}: with a bushing") : line("bore", "fail", "#{text}: too tight")
      end

      def hub
        return nil unless blade.hub && old.hub
        text = "#{blade.hub.tr("_", " ")} hub"
        if blade.hub == old.hub
          line("hub", "pass", text)
        else
          line("hub", "fail", "#{text}, the shaft is made for #{old.hub.tr("_", " ")}")
        end
      end

      # By the fan laws, from what the old blade took at the old speed.
      def load
        return nil unless drive.needed_w && drive.output_w && blade.diameter_mm && old.diameter_mm
        watts =
          drive.needed_w * ((drive.rpm || 1) / (drive.old_rpm || drive.rpm || 1).to_f)**3 *
          (blade.diameter_mm / old.diameter_mm.to_f)**5 *
          ((blade.pitch_deg && old.pitch_deg) ? blade.pitch_deg / old.pitch_deg.to_f : 1)
        text = "#{figure(watts)} W at the shaft, the motor gives #{figure(drive.output_w)} W"
        share = watts / drive.output_w
        return line("load", "pass", text) if Tolerance.at_most?(share, 1)
        if Tolerance.at_most?(share, limits["blades.load_spare"])
          line("load", "adapt", "#{text}: measure its amps once it runs")
        else
          line("load", "fail", text)
        end
      end

      def figure(number) = Quantities.tidy(number.round(2))
    end
  end
end
