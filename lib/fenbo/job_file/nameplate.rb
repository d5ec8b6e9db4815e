# frozen_string_literal: true

module Fenbo
  module JobFile
    # What anything with a plate of `volts` and `amps` can say of a supply.
    module Nameplate
      # Nameplate amps at this supply; the nearest voltage counts.
      # @param site_volts [Float]
      # @return [Float, nil]
      def amps_at(site_volts)
        return amps.first if amps.size < 2 || volts.size != amps.size
        amps[volts.each_index.min_by { |index| (volts[index] - site_volts).abs }]
      end

      def volts_at(site_volts) = volts.min_by { |one| (one - site_volts).abs }
    end
  end
end
