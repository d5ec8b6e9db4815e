# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The same way round, both seen from the shaft end.
      class Rotation < Check
        def line
          return unknown("the rotation") unless old.rotation && candidate.rotation
          return pass("reversible: set it #{Matching::Rotation.words(wanted)}") if candidate.rotation == "reversible"
          return pass("#{Matching::Rotation.words(candidate.rotation)}, as the old one") if old.rotation == "reversible" || candidate.rotation == old.rotation
          text = "#{Matching::Rotation.words(candidate.rotation)}, the old one the other way"
          candidate.kit? ? adapt("#{text}: the kit brings its own blade") : fail(text)
        end

        private

        def wanted = (old.rotation == "reversible") ? "cw" : old.rotation
      end
    end
  end
end
