# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The same way round, both seen from the shaft end.
      class Rotation < Check
        def line
          return unknown("the rotation") unless old.rotation && candidate.rotation
          return reversible if candidate.rotation == "reversible"
          return pass("#{Matching::Rotation.words(candidate.rotation)}, as the old one") if old.rotation == "reversible" || candidate.rotation == old.rotation
          text = "#{Matching::Rotation.words(candidate.rotation)}, the old one the other way"
          candidate.kit? ? adapt("#{text}: the kit brings its own blade") : fail(text)
        end

        private

        # How each family is turned round.
        HOW = {"psc" => "swap its marked leads", "three_phase" => "swap two lines", "shaded_pole" => "turn it round in its frame", "split_phase" => "swap the start winding's leads", "ec" => "set it by its program"}.freeze

        def reversible
          text = "reversible: set it #{Matching::Rotation.words(wanted)}"
          pass(text, setting: "#{HOW.fetch(candidate.family)} so that it turns #{Matching::Rotation.words(wanted)}")
        end

        def wanted = (old.rotation == "reversible") ? "cw" : old.rotation
      end
    end
  end
end
