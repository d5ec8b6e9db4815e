# frozen_string_literal: true

module Shared
  # What was read and what it means, in words.
  module ReadingWords
    # The class that colours a verdict; its words always stand beside it.
    def verdict_tone(verdict)
      return "verdict-good" if Words::GOOD.include?(verdict)
      Words::OPEN.include?(verdict) ? "verdict-open" : "verdict-bad"
    end

    # nil where its accuracy is not set.
    def meter_words(user)
      return unless user.meter_for_core
      meter = user.meter
      "#{meter["name"].presence || "Your meter"}: ±(#{meter["percent"]} % + #{meter["counts"]} × " \
      "#{meter["resolution"]} A)#{", true RMS" if meter["true_rms"]}."
    end

    # A figure of a reason, short.
    def plain(value)
      if value.is_a?(Numeric)
        Fenbo::Quantities.tidy(value.is_a?(Float) ? value.round(3) : value)
      else
        value
      end
    end

    # The legs of an amps reading, short.
    def amps_figures(reading)
      reading.answer.legs.map { |leg| Fenbo::Quantities.tidy(leg.amps.round(3)) }.join(" · ")
    end

    # What was read, as its meter can tell: "0.16 A ± 0.02", of an EC motor "22.9 W".
    def read_words(reading)
      answer = reading.answer or return "–"
      return show(answer.watts, "power") if answer.watts
      answer.legs.map { |leg| leg_words(leg) }.join(" · ")
    end

    def leg_words(leg)
      return "#{Fenbo::Quantities.tidy(leg.amps.round(3))} A" unless leg.error&.positive?
      digits = [-Math.log10(leg.error).floor, 0].max.clamp(0, 3)
      "#{Fenbo::Quantities.tidy(leg.amps.round(digits))} A ± #{Fenbo::Quantities.tidy(leg.error.round(digits))}"
    end

    # The window it is held against, in its own unit.
    def window_words(reading)
      window = reading.answer&.window or return "–"
      low, high = [window.low, window.high].map { |one| Fenbo::Quantities.tidy(one.round(2)) }
      "#{low} to #{high} #{reading.answer.watts ? "W" : "A"}"
    end

    # "0.39 A ± 0.01, within (window 0.32 to 0.47 A)"
    def measured_words(reading)
      window = window_words(reading)
      "#{read_words(reading)}, #{verdict_words(reading.verdict)}#{" (window #{window})" unless window == "–"}"
    end

    # The same to be read aloud, with its verdict.
    def amps_words(reading)
      "#{reading.answer.legs.map { |leg| "#{leg.amps} A" }.join(", ")}, #{verdict_words(reading.verdict)}"
    end

    def turns_words(reading)
      ", wrap #{reading.answer.turns_needed} turns" if reading.answer.turns_needed
    end

    # A reason's figures: what was read, against which limit, and where that is from.
    def reason_words(reason)
      figure = ->(value) { %(<span class="figure">#{h(plain(value))}</span>) }
      value, limit = Fenbo::Retold.beside([reason.value, reason.limit], reason.text, units)
      figures = [value && "here #{figure[value]}", limit && "limit #{figure[limit]}"]
      [figures.compact.join(", "), source_words(reason.source)].reject(&:empty?).join(" · ")
    end

    # Where a limit is from, in words: the chapter, or this shop.
    def source_words(source)
      return "" if source.nil?
      (source == "shop") ? "this shop's own limit" : "source: #{source.sub("/", ", ").tr("-", " ")}"
    end

    def verdict_words(verdict)
      Words::VERDICTS.fetch(verdict, verdict.to_s.tr("_", " "))
    end
  end
end
