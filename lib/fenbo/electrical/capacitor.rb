# frozen_string_literal: true

module Fenbo
  module Electrical
    # Does a capacitor still hold what is printed on it?
    #
    #   C = 10⁶ · I ÷ (2π · f · V)   C in µF, I in the start lead in A, V across
    #                                the capacitor, f in Hz (under load)
    #
    # in:  rated_uf with tolerance_percent, or range_uf [low, high] (start
    #      capacitor); and measured_uf, or under_load {amps, volts, hertz}
    # out: verdict within | weak | high | open, low_uf, high_uf, measured_uf
    # Source: docs/sources.md, electrical/capacitor.
    class Capacitor < Tool
      Question = Value.of(:rated_uf, :tolerance_percent, :range_uf, :measured_uf, :amps, :volts, :hertz)
      LARGEST_UF = 100_000

      def self.read(input, limits)
        range = read_range(input)
        load = input.object("under_load", required: false)
        by_load = input.given?("under_load")
        unless by_load || input.given?("measured_uf")
          input.fault("measured_uf", "needs measured_uf or under_load {amps, volts, hertz}")
        end
        Question.new(
          rated_uf: input.number("rated_uf", required: !input.given?("range_uf"), above: 0, at_most: LARGEST_UF),
          range_uf: range,
          tolerance_percent:
            input.number("tolerance_percent", required: false, above: 0, at_most: 100) || limits["capacitor.tolerance"],
          measured_uf: input.number("measured_uf", required: false, at_least: 0, at_most: LARGEST_UF),
          amps: load.number("amps", required: by_load, at_least: 0, at_most: MOST_AMPS),
          volts: load.number("volts", required: by_load, above: 0, at_most: MOST_VOLTS),
          hertz: load.number("hertz", required: by_load, above: 0, at_most: 1000)
        )
      end

      def self.read_range(input)
        range = input.numbers("range_uf", required: false, sizes: [2], above: 0, at_most: LARGEST_UF)
        return range if range.nil? || range.first <= range.last
        input.fault("range_uf", "runs from the lower to the higher figure")
      end

      def answer
        Result.new(
          verdict:,
          figures: {
            low_uf: low.round(3),
            high_uf: high.round(3),
            measured_uf: measured.round(3)
          },
          reasons:
        )
      end

      def low = question.range_uf&.first || question.rated_uf * (1 - tolerance)

      def high = question.range_uf&.last || question.rated_uf * (1 + tolerance)

      def measured
        return question.measured_uf.to_f if question.measured_uf
        1e6 * question.amps / (2 * Math::PI * question.hertz * question.volts)
      end

      def verdict
        return "open" if measured < open_below
        return "weak" if Tolerance.below?(measured, low)
        Tolerance.above?(measured, high) ? "high" : "within"
      end

      private

      # A start capacitor's range stands for its own rating.
      def open_below
        limits["capacitor.open"] * (question.rated_uf || question.range_uf.first)
      end

      def tolerance = question.tolerance_percent / 100.0

      def reasons = [working, judged, remedy].compact

      def working
        return nil if question.measured_uf
        reason(
          "#{tidy(question.amps)} A in the start lead at #{tidy(question.volts)} V and " \
          "#{tidy(question.hertz)} Hz make #{measured.round(2)} µF",
          "capacitor.under_load",
          value: measured.round(3),
          source: "electrical/capacitor"
        )
      end

      def judged
        if verdict == "open"
          return (
            limit_reason(
              "#{measured.round(2)} µF is next to nothing: the capacitor is open",
              "capacitor.open",
              value: measured.round(3)
            )
          )
        end
        text = "#{measured.round(2)} µF, printed #{printed}, so #{low.round(2)} to #{high.round(2)} µF: #{verdict}"
        Reason.new(
          text:,
          rule: "capacitor.tolerance",
          limit: ((verdict == "high") ? high : low).round(3),
          value: measured.round(3),
          source: limits.source("capacitor.tolerance")
        )
      end

      def remedy
        return nil if verdict == "within"
        reason(
          "Replace it with the same µF and the same voltage rating or higher",
          "capacitor.replace",
          source: "electrical/capacitor"
        )
      end

      def printed
        return "#{tidy(low)} to #{tidy(high)} µF" if question.range_uf
        "#{tidy(question.rated_uf)} µF ±#{tidy(question.tolerance_percent)} %"
      end

      def tidy(value) = Quantities.tidy(value)
    end
  end
end
