# frozen_string_literal: true

module Fenbo
  module Decision
    # Whether the neighbour's motor is changed on this visit or when it fails.
    #
    # in:  condition {noise: quiet or noisy, amps: within, over or under (null: not measured),
    #      play}, motor_cents, extra_minutes, rate_per_hour_cents, trip_cents,
    #      emergency_cents, product_loss_cents
    # out: fail_chance within twelve months, now_cents, later_cents (what waiting costs on
    #      average), tips_at, the chance of failing from which now is the cheaper (above 1: never);
    #      verdict now or later. Source: sourcing/neighbour.
    class Neighbour < Tool
      Question = Value.of(:noisy, :amps, :play, :motor_cents, :extra_minutes, :rate_per_hour_cents, :trip_cents,
        :emergency_cents, :product_loss_cents)
      MOST_MINUTES = 10_000

      def self.read(input, _limits)
        condition = input.object("condition")
        money = %i[motor_cents rate_per_hour_cents].to_h { |key| [key, input.integer(key.to_s, **MONEY)] }
        beside = %i[trip_cents emergency_cents product_loss_cents].to_h do |key|
          [key, input.integer(key.to_s, required: false, **MONEY) || 0]
        end
        Question.new(noisy: condition.choice("noise", %w[quiet noisy]) == "noisy",
          amps: condition.choice("amps", %w[within over under], required: false),
          play: condition.flag("play", default: false),
          extra_minutes: input.number("extra_minutes", at_least: 0, at_most: MOST_MINUTES), **money, **beside)
      end

      def answer
        Result.new(verdict: (now_cents <= later_cents) ? "now" : "later",
          figures: {fail_chance: fail_chance.round(4), now_cents:, later_cents:, tips_at:}, reasons:)
      end

      private

      # By how it sounds and draws; play in the shaft comes on top, up to a cap.
      def fail_chance
        return base_chance unless question.play
        [base_chance + limits["neighbour.play"], limits["neighbour.most"]].min
      end

      def base_chance = limits["neighbour.#{state}"]

      # Outside the window either way is a fault; not measured counts as inside.
      def state
        outside = %w[over under].include?(question.amps)
        "#{question.noisy ? "noisy" : "quiet"}_#{outside ? "over" : "within"}"
      end

      def now_cents
        question.motor_cents + (question.rate_per_hour_cents * question.extra_minutes / 60.0).round
      end

      def at_stake
        question.motor_cents + question.trip_cents + question.emergency_cents + question.product_loss_cents
      end

      # nil where nothing is at stake
      def tips_at
        at_stake.positive? ? (now_cents / at_stake.to_f).round(4) : nil
      end

      def later_cents = (at_stake * fail_chance).round

      def reasons
        [
          limit_reason("It fails within twelve months in #{(fail_chance * 100).round} of 100 such cases",
            "neighbour.#{state}", value: fail_chance.round(4)),
          reason("Now #{now_cents / 100}, later on average #{later_cents / 100}, of #{at_stake / 100} at stake",
            "neighbour.compared", value: later_cents, source: "sourcing/neighbour"),
          (if question.amps.nil?
             reason("Its amps were not measured: counted as inside the window", "neighbour.not_measured",
               source: "sourcing/neighbour")
           end)
        ].compact
      end
    end
  end
end
