# frozen_string_literal: true

module Fenbo
  module Refrigerant
    # Whether a charge can be judged as things stand: all fans on, the ambient noted, the sight
    # glass steady.
    #
    # in:  fans, fans_running, ambient_c (null: not noted), sight_glass clear | flashing | empty |
    #      none (null: not looked at)
    # out: verdict fair | not_yet | short, with what has to come first
    # A glass that flashes after it cleared is normal for a moment: it is judged steady.
    # Source: docs/sources.md, proof/refrigerant.
    class Charge < Tool
      Question = Value.of(:fans, :fans_running, :ambient_c, :sight_glass)
      GLASSES = %w[clear flashing empty none].freeze
      MOST_FANS = 100

      def self.read(input, _limits)
        fans = input.integer("fans", at_least: 0, at_most: MOST_FANS)
        running = input.integer("fans_running", at_least: 0, at_most: MOST_FANS)
        input.fault("fans_running", "is more than the unit has") if fans && running && running > fans
        Question.new(fans:, fans_running: running,
          ambient_c: input.number("ambient_c", required: false, at_least: -80, at_most: 80),
          sight_glass: input.choice("sight_glass", GLASSES, required: false))
      end

      def answer
        Result.new(verdict:, figures: {waits_for: waits.map(&:first)}, reasons:)
      end

      private

      # Short only where everything else is right.
      def verdict
        return "not_yet" if waits.any?
        (question.sight_glass == "empty") ? "short" : "fair"
      end

      def waits = @waits ||= [fans, ambient, glass].compact

      def fans
        missing = question.fans - question.fans_running
        return unless missing.positive?
        ["fans", "#{question.fans_running} of #{question.fans} fans run: put the fans right first, a charge judged " \
          "now would be wrong once they turn"]
      end

      def ambient
        ["ambient", "The ambient is not noted: without it nobody can read this charge later"] if question.ambient_c.nil?
      end

      def glass
        case question.sight_glass
        when "flashing" then ["glass", "The sight glass flashes: wait until it stands steady, a moment of it is normal"]
        when nil then ["glass", "Nobody looked at the sight glass"]
        end
      end

      def reasons
        return waits.map { |name, text| told(text, name) } if waits.any?
        if verdict == "short"
          return [told("The glass is not full with all #{question.fans} fans on: the charge is short",
            "glass")]
        end
        [told("All #{question.fans} fans run, the ambient is noted" \
          "#{", the glass is clear" if question.sight_glass == "clear"}", "fair")]
      end

      def told(text, rule)
        reason(text, "charge.#{rule}", source: "proof/refrigerant")
      end
    end
  end
end
