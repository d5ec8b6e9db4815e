# frozen_string_literal: true

module Fenbo
  module Matching
    # What on a plate cannot all be true: watts against amps, horsepower against what
    # goes in, speed against poles and hertz, currents against voltages. The same for a
    # plate read off a motor, one typed field by field, and a row of a catalogue.
    # Source: docs/sources.md, motors/plate.
    class Coherence
      Clash =
        Value.of(:fields, :text, :rule, :limit, :value) do
          def to_h = {fields:, text:}

          # So few watts for its amps are mostly what it gives.
          def shaft? = rule == "plate.factor" && value < limit

          def reason
            Reason.new(text:, rule:, limit:, value:, source: "motors/plate")
          end
        end
      # @param motor [Hash] fields as in `match`, string keys; what is missing is not judged
      def initialize(motor, limits)
        @motor = motor
        @limits = limits
      end

      # @return [Array<Clash>]
      def clashes
        @clashes ||= [counts, connections, factor, output, poles, family, capacitor].flatten.compact
      end

      private

      attr_reader :limits

      def volts = @motor["volts"] || []

      def amps = @motor["amps"] || []

      def three? = @motor["phases"] == 3 || @motor["family"] == "three_phase"

      # Apparent power of each connection, in VA.
      def apparent
        volts.zip(amps).filter_map { |volt, amp| volt * amp * (three? ? Math.sqrt(3) : 1) if volt && amp }
      end

      def clash(fields, text, rule, value: nil, limit: nil)
        Clash.new(fields:, text:, rule:, limit:, value:)
      end

      def counts
        return nil if amps.size < 2 || amps.size == volts.size
        clash(
          %w[volts amps],
          "#{amps.size} currents for #{volts.size} #{(volts.size == 1) ? "voltage" : "voltages"}",
          "plate.counts"
        )
      end

      # Twice the voltage, half the current: one winding connected two ways.
      def connections
        return nil if apparent.size < 2 || amps.uniq.size < 2
        ratio = apparent.max / apparent.min
        most = limits["plate.connections"]
        return nil if ratio <= most
        clash(
          %w[volts amps],
          "#{list(amps)} A at #{list(volts)} V are not one motor: #{apparent.map(&:round).join(" and ")} VA",
          "plate.connections",
          value: ratio.round(2),
          limit: most
        )
      end

      def factor
        watts = @motor["watts"]
        return nil unless watts && apparent.any? && amps.size <= [volts.size, 1].max
        share = watts / apparent.max
        low, high = limits["plate.factor_low"], limits["plate.factor_high"]
        return nil if Tolerance.between?(share, low, high)
        text = "#{figure(watts)} W at #{list(volts)} V and #{list(amps)} A would be a power factor of #{share.round(2)}"
        clash(
          %w[watts amps],
          (share < low) ? "#{text}: are these watts at the shaft?" : "#{text}: more than goes in",
          "plate.factor",
          value: share.round(2),
          limit: (share < low) ? low : high
        )
      end

      # No motor gives more than it takes in.
      def output
        given = @motor["horsepower"] && @motor["horsepower"] * limits["match.watts_per_horsepower"]
        taken = @motor["watts"] || apparent.max
        return nil unless given && taken
        share, most = given / taken, limits["plate.efficiency_high"]
        return nil if share <= most
        clash(
          ["horsepower", @motor["watts"] ? "watts" : "amps"],
          "#{given.round} W at the shaft from #{taken.round} #{@motor["watts"] ? "W" : "VA"} taken in",
          "plate.output",
          value: share.round(2),
          limit: most
        )
      end

      # The field of p poles turns 120·f ÷ p times a minute; the shaft a little slower.
      def poles
        rpm, poles, hertz = @motor.values_at("rpm", "poles", "hertz")
        return nil unless rpm && poles&.positive? && hertz&.any? && @motor["family"] != "ec"
        fields = hertz.map { |one| 120.0 * one / poles }
        slip = limits["plate.slip_most"]
        return nil if fields.any? { |field| Tolerance.between?(rpm, field * (1 - slip), field) }
        clash(
          %w[rpm poles hertz],
          "#{figure(rpm)} rpm does not go with #{figure(poles)} poles at #{list(hertz)} Hz: the field turns " \
          "#{list(fields)} times a minute",
          "plate.slip",
          value: rpm,
          limit: slip
        )
      end

      def family
        phases, family = @motor.values_at("phases", "family")
        return nil unless phases && family && family != "ec" && (phases == 3) != (family == "three_phase")
        clash(
          %w[family phases],
          "#{figure(phases)} #{(phases == 1) ? "phase" : "phases"} on a #{family.tr("_", "-")} motor",
          "plate.family"
        )
      end

      def capacitor
        return nil unless @motor["capacitor_uf"] && %w[shaded_pole three_phase ec].include?(@motor["family"])
        clash(
          %w[capacitor_uf family],
          "a run capacitor does not belong to a #{@motor["family"].tr("_", "-")} motor",
          "plate.capacitor"
        )
      end

      def list(values) = values.map { |one| figure(one) }.join("/")

      def figure(value) = Quantities.tidy(value.round(3))
    end
  end
end
