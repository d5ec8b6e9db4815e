# frozen_string_literal: true

module Fenbo
  module Electrical
    # The voltage at the motor beside its nameplate. `ratio` and `verdict` are
    # nil when one of the two is not known. `tolerance` and `absent` are shares of the
    # nameplate: how far off still counts as in range, and under what there is none.
    Supply = Value.of(:volts, :nameplate_volts, :tolerance, :absent) do
      def known? = !ratio.nil?

      def mean = volts&.any? ? Statistics.mean(volts) : nil

      def ratio
        mean / nameplate_volts if mean && nameplate_volts
      end

      def dead? = known? && ratio < absent

      def verdict
        return nil unless known?
        return "low" if Tolerance.below?(ratio, 1 - tolerance)
        return "high" if Tolerance.above?(ratio, 1 + tolerance)
        "in_range"
      end

      # The outcome of the test `voltage_at_motor` it amounts to.
      def finding = dead? ? "absent" : verdict

      # I = I_nameplate × V_nameplate ÷ V: the current a loaded motor would draw
      # at this voltage, an approximation that holds near the nameplate.
      def expected_amps(nameplate_amps)
        nameplate_amps / ratio if known? && nameplate_amps && !dead?
      end

      def to_h = {ratio: ratio&.round(3), verdict:}
    end
  end
end
