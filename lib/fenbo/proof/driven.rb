# frozen_string_literal: true

module Fenbo
  module Proof
    # Whether what was changed follows its control through every step: one fan at 0, 5 and 10 V
    # by its watts, or a bank through its stages by the fans that run.
    #
    # in:  kind volts | stages; steps [{at, watts}] at volts, or [{at, running}] at stage 1, 2, …;
    #      plate_watts (null: not known), fans of the bank
    # out: steps [{at, share}] of the top step, stands_at (null: none); verdict follows |
    #      does_not_follow | incomplete
    # A motor stands still at 0 V, takes more at each step and its plate at 10 V. Each stage
    # brings fans, the last one all of them. Source: docs/sources.md, proof/first-run.
    class Driven < Tool
      Question = Value.of(:kind, :steps, :plate_watts, :fans)
      Step = Value.of(:at, :value)
      KINDS = %w[volts stages].freeze
      MEASURED = {"volts" => "watts", "stages" => "running"}.freeze
      # What a signal has to be driven through, V.
      SIGNAL = [0.0, 5.0, 10.0].freeze
      MOST_STEPS = 24

      def self.read(input, _limits)
        kind = input.choice("kind", KINDS) || "volts"
        steps = input.objects("steps", at_most: MOST_STEPS).map { |row|
          Step.new(at: row.number("at", at_least: 0, at_most: 100),
            value: row.number(MEASURED[kind], at_least: 0, at_most: 100_000))
        }
        named = steps.filter_map(&:at)
        input.fault("steps", "name one step twice") if named.uniq.size < named.size
        Question.new(kind:, steps: steps.sort_by { |step| step.at || 0 },
          plate_watts: input.number("plate_watts", required: false, above: 0),
          fans: input.integer("fans", required: kind == "stages", at_least: 1, at_most: 100))
      end

      def answer
        Result.new(verdict:, figures: {steps: shares, stands_at: stands&.first}, reasons:)
      end

      private

      def steps = question.steps

      def verdict
        return "incomplete" if missing
        stands ? "does_not_follow" : "follows"
      end

      def top = steps.last.value

      def shares
        steps.map { |step| {at: step.at, share: top.zero? ? 0.0 : (step.value / top.to_f).round(3)} }
      end

      # What was not driven yet, in words.
      def missing
        return ("only one stage was driven" if steps.size < 2) if question.kind == "stages"
        left = SIGNAL - steps.map { |step| step.at.to_f }
        "not driven at #{left.map { |volts| Quantities.tidy(volts) }.join(" and ")} V yet" if left.any?
      end

      # The first step at which it does not follow, with why.
      # @return [Array(Float, String), nil]
      def stands
        return @stands if defined?(@stands)
        @stands = missing ? nil : first_check || flat_step || last_check
      end

      def first_check
        return unless question.kind == "volts"
        still = limits["driven.still"] * (question.plate_watts || top)
        low = steps.first
        return if Tolerance.at_most?(low.value, still)
        [low.at, "#{tidy(low.value)} W at 0 V: not still, at most #{tidy(still.round(1))} W are", "driven.still",
          low.value]
      end

      # More at each step than at the one before.
      def flat_step
        low, high = steps.each_cons(2).find { |before, after| !Tolerance.above?(after.value, before.value) }
        return unless low
        what = (question.kind == "volts") ? "W" : "fans"
        [high.at, "#{tidy(high.value)} #{what} at #{name(high)}, #{tidy(low.value)} at #{name(low)}: no more",
          "driven.follows", high.value]
      end

      def last_check = (question.kind == "volts") ? full_watts : all_fans

      def full_watts
        return unless question.plate_watts
        share = top / question.plate_watts.to_f
        name = %w[watts.window_low watts.window_high].find { |limit| crossed?(limit, share) } or return
        [steps.last.at, "#{tidy(top)} W at 10 V on a plate of #{tidy(question.plate_watts)} W: " \
          "#{(name == "watts.window_low") ? "too little" : "too much"}", name, share.round(3)]
      end

      def crossed?(limit, share)
        return Tolerance.below?(share, limits[limit]) if limit == "watts.window_low"
        Tolerance.above?(share, limits[limit])
      end

      def all_fans
        return if top >= question.fans
        [steps.last.at, "#{tidy(top)} of #{question.fans} fans run at the last stage", "driven.all", top]
      end

      def name(step)
        (question.kind == "volts") ? "#{tidy(step.at)} V" : "stage #{tidy(step.at)}"
      end

      def tidy(value) = Quantities.tidy(value)

      def reasons
        return [reason("It was #{missing}", "driven.incomplete", source: "proof/first-run")] if missing
        return [follows] unless stands
        _, text, rule, value = stands
        limit = Limits.entries.key?(rule)
        [limit ? limit_reason(text, rule, value:) : reason(text, rule, value:, source: "proof/first-run")]
      end

      def follows
        told = steps.map { |step| "#{tidy(step.value)}#{" W" if question.kind == "volts"} at #{name(step)}" }
        reason("It follows: #{told.join(", ")}", "driven.follows", value: top, source: "proof/first-run")
      end
    end
  end
end
