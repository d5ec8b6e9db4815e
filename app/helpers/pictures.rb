# frozen_string_literal: true

module Helpers
  # Drawings, ready to be put into a page.
  module Pictures
    def plate(unit, findings: [], hand: nil, links: nil) = Drawings::Plate.of(unit, findings:, hand:, links:).svg

    def icon(name, **rest) = Drawings::Icon.new(name, **rest).svg
  end
end
