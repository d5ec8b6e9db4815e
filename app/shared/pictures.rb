# frozen_string_literal: true

module Shared
  # Drawings, ready to be put into a page.
  module Pictures
    def plate(unit, findings: [], hand: nil, links: nil)
      Cutaway::Plate.of(unit, findings:, hand:, links:).svg
    end

    # A map as it was kept.
    def frost_map(reading, label: nil)
      Drawing::FrostMap.new(
        **reading.question.slice("grid", "feed_end", "fans", "ring").transform_keys(&:to_sym),
        label:
      ).svg
    end

    def icon(name, **rest) = Drawing::Icon.new(name, **rest).svg
  end
end
