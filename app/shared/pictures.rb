# frozen_string_literal: true

module Shared
  # Drawings, ready to be put into a page.
  module Pictures
    # @param lit [String, nil] the part worked on, as Plate calls it; what has no place of its own
    #   there is lit at the fan in hand
    def plate(unit, findings: [], hand: nil, links: nil, lit: nil)
      Cutaway::Plate.of(unit, findings:, hand:, links:, lit:).svg
    end

    # What was heard in a recording, as a spectrum; empty where its curves were not kept.
    # @param reading [Fenbo::JobFile::Reading] of kind sound
    def spectrum(reading)
      return "" unless reading.result["curves"] && reading.result["figures"]
      Drawing::SoundCurves.new(curves: reading.result["curves"], figures: reading.result["figures"],
        hertz: reading.question["hertz"] || 50).spectrum
    end

    # A map as it was kept.
    def frost_map(reading, label: nil)
      Drawing::FrostMap.new(
        **reading.question.slice("grid", "feed_end", "fans", "ring").transform_keys(&:to_sym),
        label:
      ).svg
    end

    # A kept amps reading on its scale, beside others of the same.
    # @param top [Float] amps at the scale's end
    def amps_scale(reading, top:, label:)
      answer = reading.answer
      window = answer.window unless answer.watts || reading.verdict == "not_by_amps"
      Drawing::AmpsScale.new(legs: answer.legs, window:, top:, label:).svg
    end

    def icon(name, **rest) = Drawing::Icon.new(name, **rest).svg
  end
end
