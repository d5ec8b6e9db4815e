# frozen_string_literal: true

module Fenbo
  module Electrical
    # Is a dead motor's winding whole, and is it clear of ground?
    #
    #   R20 = R ÷ (1 + 0.00393·(T − 20))   Ω at winding temperature T in °C
    #   spread % = 100 × (largest − smallest) ÷ smallest, of the pairs
    #
    # in:  kind three_phase | psc | shaded_pole; ohms by pair (ab, bc, ca; cr, cs,
    #      rs; ab), null where not measured; open, the pairs that show no path;
    #      ground_megohms, winding_celsius, running_hot
    # out: verdict sound | watch | open_winding | open_protector | shorted_turns |
    #      unbalanced | grounded | incomplete, spread_percent, ohms_at_20c, insulation
    # Source: docs/sources.md, electrical/windings.
    class Windings < Tool
      Question = Value.of(:kind, :ohms, :open, :ground_megohms, :winding_celsius, :running_hot)
      PAIRS = {"three_phase" => %w[ab bc ca], "psc" => %w[cr cs rs], "shaded_pole" => %w[ab]}.freeze
      MOST_OHMS = 1_000_000

      def self.read(input, _limits)
        kind = input.choice("kind", PAIRS.keys)
        ohms = input.object("ohms", required: false)
        pairs = PAIRS.fetch(kind, PAIRS.values.flatten.uniq)
        read = pairs.to_h { |pair| [pair, ohms.number(pair, required: false, at_least: 0, at_most: MOST_OHMS)] }
        Question.new(
          kind:,
          ohms: read.compact,
          open: read_open(input, pairs, read),
          ground_megohms: input.number("ground_megohms", required: false, at_least: 0),
          winding_celsius: input.number("winding_celsius", required: false, at_least: -60, at_most: 250),
          running_hot: input.flag("running_hot", default: false)
        )
      end

      def self.read_open(input, pairs, ohms)
        input
          .list("open", required: false)
          .each_with_index do |pair, index|
            unless pairs.include?(pair)
              next input.fault("open.#{index}", "is no pair of this motor; use one of #{pairs.join(", ")}")
            end
            input.fault("open.#{index}", "has a resistance as well: a pair is either open or it has one") if ohms[pair]
          end
      end

      def answer = Result.new(verdict:, figures:, reasons:)

      # Ground wins over all else; then what the pairs say; a doubtful insulation
      # keeps a sound winding from being called so.
      def verdict
        return "grounded" if insulation == "fail"
        (pattern.verdict == "sound" && insulation == "watch") ? "watch" : pattern.verdict
      end

      def insulation
        megohms = question.ground_megohms or return "not_measured"
        return "fail" if megohms < limits["insulation.fail"]
        (megohms < limits["insulation.good"]) ? "watch" : "good"
      end

      def pattern = @pattern ||= WindingPattern.of(question, limits)

      def spread_percent = pattern.spread_percent

      private

      def figures
        {spread_percent: spread_percent&.round(2), ohms_at_20c:, insulation:, faulty_pairs: pattern.pairs}
      end

      def ohms_at_20c
        return nil unless question.winding_celsius
        warm = 1 + limits["winding.copper"] * (question.winding_celsius - 20)
        question.ohms.transform_values { |ohms| (ohms / warm).round(2) }
      end

      def reasons
        [ground_reason, pattern_reason, cooling_reason, temperature_reason].compact
      end

      def ground = Quantities.tidy(question.ground_megohms)

      def ground_reason
        case insulation
        when "fail"
          limit_reason(
            "#{ground} MΩ to ground: the winding is grounded, do not energise it",
            "insulation.fail",
            value: question.ground_megohms
          )
        when "watch"
          limit_reason(
            "#{ground} MΩ to ground: moist? Dry it and measure again",
            "insulation.good",
            value: question.ground_megohms
          )
        when "good"
          limit_reason(
            "#{ground} MΩ to ground is good",
            "insulation.good",
            value: question.ground_megohms
          )
        else
          reason("Nobody measured to ground yet", "insulation.not_measured", source: "electrical/windings")
        end
      end

      def pattern_reason
        if Limits.entries.key?(pattern.rule)
          return limit_reason(pattern.text, pattern.rule, value: spread_percent&.round(2))
        end
        reason(pattern.text, pattern.rule, value: spread_percent&.round(2), source: "electrical/windings")
      end

      def cooling_reason
        return nil if question.open.empty?
        return nil unless question.running_hot || pattern.verdict == "open_protector"
        reason(
          "Let it cool and measure again before condemning it: an internal protector closes when cold",
          "winding.cool_first",
          source: "electrical/windings"
        )
      end

      def temperature_reason
        return nil unless question.winding_celsius && question.ohms.any?
        limit_reason(
          "At #{Quantities.tidy(question.winding_celsius)} °C; corrected to 20 °C where a data sheet is compared",
          "winding.copper",
          value: question.winding_celsius
        )
      end
    end
  end
end
