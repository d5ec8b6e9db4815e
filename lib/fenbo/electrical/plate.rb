# frozen_string_literal: true

module Fenbo
  module Electrical
    # A fitted motor's plate at its unit's supply, as `amps` takes it, and the window its
    # amps will be judged by before anything is read.
    class Plate
      # @param motor [JobFile::Motor, JobFile::CataloguePart, nil]
      # @param site_volts [Float]
      def initialize(motor, site_volts)
        @motor = motor
        @site_volts = site_volts
      end

      # The `motor` of a question of amps.
      # @param turning [Boolean, nil] whether it was seen to turn
      def question(turning: nil)
        {
          "family" => @motor&.family, "nameplate_amps" => @motor&.amps_at(@site_volts),
          "nameplate_volts" => @motor&.volts_at(@site_volts), "nameplate_watts" => @motor&.watts,
          "service_factor" => @motor&.service_factor, "service_factor_amps" => printed(:service_factor_amps),
          "locked_rotor_amps" => printed(:locked_rotor_amps), "turning" => turning
        }
      end

      # @return [Answer, nil] low and high in amps; nil where amps do not judge this motor
      def window(limits: Limits.default)
        amps = @motor&.amps_at(@site_volts)
        return nil if amps.nil? || @motor.family == "ec"
        reading = {"amps" => [amps] * ((@motor.family == "three_phase") ? 3 : 1)}
        Fenbo.call(:amps, {"motor" => question, "reading" => reading}, limits:).window
      end

      private

      # What only the plate of a motor in place tells.
      def printed(name)
        @motor.respond_to?(name) ? @motor.public_send(name) : nil
      end
    end
  end
end
