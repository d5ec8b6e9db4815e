# frozen_string_literal: true

module Fenbo
  module Electrical
    # The voltage at the motor beside its nameplate. `ratio` and `verdict` are
    # nil when one of the two is not known.
    Supply = Value.of(:volts, :nameplate_volts, :tolerance) do
      def known? = !ratio.nil?

      def mean = volts&.any? ? volts.sum.fdiv(volts.size) : nil

      def ratio
        mean / nameplate_volts if mean && nameplate_volts
      end

      def dead? = known? && ratio < tolerance

      def verdict
        return nil unless known?
        return "low" if ratio < 1 - tolerance - 1e-9
        return "high" if ratio > 1 + tolerance + 1e-9
        "in_range"
      end

      # I = I_nameplate × V_nameplate ÷ V: the current a loaded motor would draw
      # at this voltage, an approximation that holds near the nameplate.
      def expected_amps(nameplate_amps)
        nameplate_amps / ratio if known? && nameplate_amps && !dead?
      end

      def to_h = {ratio: ratio&.round(3), verdict:}
    end
  end
end
