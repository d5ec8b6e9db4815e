# frozen_string_literal: true

module Stations
  module Source
    # The other motors of the bank, the likeliest to fail first: now, while somebody is here,
    # or when it fails, by the tool `neighbour`.
    class Neighbours
      # `tipping`: from which chance of failing on changing it now is the cheaper, in words.
      Row = Fenbo::Value.of(:fan, :answer, :because, :tipping)
      QUIET = "quiet_normal"

      # @param plan [Fenbo::WorkPlan::Progress] of the one that is changed anyway
      def initialize(job, plan)
        @job = job
        @plan = plan.by_itself
      end

      # Fans of the same side that were listened to, but for those with a fault of their own.
      # @return [Array<Row>]
      def rows
        @rows ||= others.filter_map { |fan| row(fan) }.sort_by { |row| [-row.answer.fail_chance, row.fan.number] }
      end

      private

      def others
        taken = @job.faults.reject(&:unit?).map { |fault| fault.fan.key }
        @job.unit.fans.select { |fan| fan.side == @plan.fan.side && fan != @plan.fan && !taken.include?(fan.key) }
      end

      def row(fan)
        noise = @job.answer_to("noise", fan.key)
        return nil unless noise && price
        answer = Fenbo.call(:neighbour, question(fan, noise), limits: Shared::Shop.limits)
        return nil if answer.refused?
        Row.new(fan:, answer:, because: [noise.told, amps_words(fan)].compact.join(", "),
          tipping: tipping(answer))
      end

      def tipping(answer)
        here = "#{(answer.fail_chance * 100).round} in 100 such motors fail within a year"
        return "#{here}." if answer.tips_at.nil?
        return "#{here}; changing it now would not pay even if it were sure to." if answer.tips_at > 1
        "#{here}; it tips at #{(answer.tips_at * 100).round.clamp(1, 100)} in 100."
      end

      def question(fan, noise)
        play = @job.answer_to("shaft_play", fan.key)&.outcome == "rocks"
        {
          "condition" => {"noise" => (noise.outcome == QUIET) ? "quiet" : "noisy", "amps" => amps(fan), "play" => play},
          "motor_cents" => price, "extra_minutes" => minutes, "rate_per_hour_cents" => rate,
          "trip_cents" => Setting.read("trip_cents"), "emergency_cents" => emergency,
          "product_loss_cents" => @job.product_value_cents || @job.unit.product_value_cents || 0
        }
      end

      # What the part in hand costs: the neighbour is its twin.
      def price = @plan.parts.lead&.motor&.price_cents

      # Made safe and proved it is already.
      def minutes
        @plan.steps.select { |step| %w[apart exchange back].include?(step.phase) }.sum(&:minutes)
      end

      def rate = Setting.read("rate_per_hour_cents")

      # What the same work costs more when it cannot wait.
      def emergency
        (rate * @plan.minutes / 60.0 * (Setting.read("overtime_factor") - 1)).round
      end

      def amps(fan)
        verdict = @job.readings_of("amps", fan: fan.key).last&.verdict
        verdict if %w[within over under].include?(verdict)
      end

      def amps_words(fan) = amps(fan) && "amps #{amps(fan)}"
    end
  end
end
