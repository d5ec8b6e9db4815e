# frozen_string_literal: true

module Fenbo
  module Matching
    # A motor's plate in one free line, read as a technician reads it, and what on it
    # does not agree with the rest.
    #
    #   Nameplate.call({"text" => "208-230/460 V 0.85/0.42 A 1/4 HP 3 PH 60 Hz 1140 RPM CWLE"})
    #
    # in:  text; hertz and volts of the site (both may be null): they say which of two
    #      speeds counts
    # out: verdict agrees | disagrees | nothing_read, motor (the fields of `match`; rotation
    #      with its view), read [{text, means, fields}], unread [words],
    #      worked_out [{field, value, from}], disagreements [{fields, text}], asks [what the
    #      plate leaves open]
    # Source: docs/sources.md, motors/plate.
    class Nameplate < Tool
      autoload :Fairness, "fenbo/matching/nameplate/fairness"
      autoload :Figures, "fenbo/matching/nameplate/figures"
      autoload :Line, "fenbo/matching/nameplate/line"
      autoload :Meanings, "fenbo/matching/nameplate/meanings"
      autoload :Phrase, "fenbo/matching/nameplate/phrase"
      autoload :Sense, "fenbo/matching/nameplate/sense"

      LONGEST = 400
      Question = Value.of(:text, :hertz, :volts)

      def self.read(input, _limits)
        Question.new(
          text: input.text("text", longest: LONGEST),
          hertz: input.number("hertz", required: false, above: 0, at_most: 400),
          volts: input.number("volts", required: false, above: 0, at_most: 100_000)
        )
      end

      def answer
        Result.new(
          verdict:,
          figures: {
            motor: sense.motor,
            read: phrases.map { |one| {text: one.text, means: one.means, fields: one.gives.keys} },
            unread: line.unread,
            worked_out: sense.worked_out,
            disagreements: clashes.map(&:to_h),
            asks: sense.asks
          },
          reasons:
        )
      end

      def verdict
        return "nothing_read" if sense.motor.empty?
        clashes.any? ? "disagrees" : "agrees"
      end

      private

      def line = @line ||= Line.new(question.text, limits)

      def phrases = line.phrases

      def sense = @sense ||= Sense.new(phrases, question, limits)

      def clashes = @clashes ||= Coherence.new(sense.motor, limits).clashes

      def reasons
        if sense.motor.empty?
          return [
            reason(
              "Nothing on this line is understood as a plate: type it as printed, figures with their units",
              "plate.read",
              source: "motors/plate"
            )
          ]
        end
        count = phrases.size
        [
          reason(
            "#{count} #{(count == 1) ? "thing" : "things"} " \
            "read#{", #{line.unread.size} not understood" if line.unread.any?}",
            "plate.read",
            value: count,
            source: "motors/plate"
          ),
          *clashes.map(&:reason)
        ]
      end
    end
  end
end
