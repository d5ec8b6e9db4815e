# frozen_string_literal: true

module Helpers
  # Drawings, ready to be put into a page.
  module Pictures
    def plate(unit, findings: [], hand: nil, links: nil)
      Drawings::Plate.of(unit, findings:, hand:, links:).svg
    end

    # A map as it was kept.
    def frost_map(reading, label: nil)
      Drawings::FrostMap.new(
        **reading.question.slice("grid", "feed_end", "fans", "ring").transform_keys(&:to_sym),
        label:
      ).svg
    end

    def icon(name, **rest) = Drawings::Icon.new(name, **rest).svg
  end
end
