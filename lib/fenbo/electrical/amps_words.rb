# frozen_string_literal: true

module Fenbo
  module Electrical
    # What the reasons of a current share: what a verdict means, the lines of the window by
    # their limits, figures as they are said.
    module AmpsWords
      MEANING = {
        "within" => "within the window",
        "over" =>
          "over the window: drag in the bearings, too much blade, blocked or reversed air, low voltage or " \
          "shorted turns",
        "under" =>
          "under the window, which is not good news: slipping or missing blade, no air path, weak capacitor " \
          "or a motor too big for its load",
        "none" => "as good as nothing: open winding, open protector or open connector",
        "locked" => "at locked-rotor current: the motor hums and does not turn"
      }.freeze

      # @param amps [Amps]
      def initialize(amps)
        @amps = amps
        @question = amps.question
        @limits = amps.limits
      end

      private

      attr_reader :amps, :question, :limits

      # What the window ends by: a printed service factor, else the usual share.
      def highest
        used = %w[three_phase split_phase].include?(question.family) &&
          (question.service_factor || question.service_factor_amps)
        used ? "service_factor" : "amps.window_high"
      end

      # A figure of the plate is no limit of the trade.
      def source(line)
        (line == "service_factor") ? "electrical/window" : limits.source(line)
      end

      def reason(text, rule, **rest)
        Reason.new(text:, rule:, source: "electrical/window", **rest)
      end

      def limited(text, name, value)
        Reason.new(text:, rule: name, limit: limits[name], value:, source: limits.source(name))
      end

      def number(value) = Quantities.rounded(value)

      def percent(ratio) = "#{(ratio * 100).round} %"
    end
  end
end
