# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The same way round, both seen from the shaft end: as the old one turned, else as its
      # blade was made to.
      class Rotation < Check
        def line
          return unknown("the rotation") unless turned && candidate.rotation
          return reversible if candidate.rotation == "reversible"
          if turned == "reversible" || candidate.rotation == turned
            return pass("#{Matching::Rotation.words(candidate.rotation)}, as the old #{old.rotation ? "one" : "blade"}")
          end
          text = "#{Matching::Rotation.words(candidate.rotation)}, the old one the other way"
          candidate.kit_with?(:blade) ? adapt("#{text}: the kit brings its own blade") : fail(text)
        end

        def narrowing
          opposite = Matching::Rotation::OPPOSITE[turned]
          opposite && one_of(:rotation, opposite) & bare
        end

        private

        # How each family is turned round.
        HOW = {
          "psc" => "swap its marked leads",
          "three_phase" => "swap two lines",
          "shaded_pole" => "turn it round in its frame",
          "split_phase" => "swap the start winding's leads",
          "ec" => "set it by its program"
        }.freeze

        def reversible
          text = "reversible: set it #{Matching::Rotation.words(wanted)}"
          pass(text, setting: "#{HOW.fetch(candidate.family)} so that it turns #{Matching::Rotation.words(wanted)}")
        end

        def turned = old.rotation || @context.blade&.fetch(:sense, nil)

        # A reversible old one is set as its blade wants it.
        def wanted
          (turned == "reversible") ? (@context.blade&.fetch(:sense, nil) || "cw") : turned
        end
      end
    end
  end
end
