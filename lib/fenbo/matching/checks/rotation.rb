# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The same way round, both seen from the shaft end: as the old one turned, else as its
      # blade was made to. Which way that was is never made up.
      class Rotation < Check
        # Held from both ends: the motor turns round in it, and its shaft with it.
        FRAME = "c_frame"
        NOTE = "note which way the blade turns before the old motor comes off, and set the new one so"

        def line
          return not_noted unless turned
          return unknown("its rotation") unless candidate.rotation
          return reversible if candidate.rotation == "reversible"
          way = words(candidate.rotation)
          return other_way("#{way}, the old one the other way") unless candidate.rotation == turned
          pass("#{way}, as the old #{noted? ? "one" : "blade"}")
        end

        def narrowing
          opposite = Matching::Rotation::OPPOSITE[turned]
          opposite && one_of(:rotation, opposite) & !one_of(:mount, FRAME) & bare
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
          pass("reversible: set it #{words(turned)}",
            setting: "#{HOW.fetch(candidate.family)} so that it turns #{words(turned)}")
        end

        def not_noted
          text = "which way the blade turns was noted neither on the old motor nor on the blade"
          return pass("reversible; #{text}", setting: NOTE) if candidate.rotation == "reversible"
          adapt("#{"#{words(candidate.rotation)}; " if candidate.rotation}#{text}: note it before you buy")
        end

        def other_way(text)
          return adapt("#{text}: the kit brings its own blade") if candidate.kit_with?(:blade)
          return fail(text) unless candidate.mount == FRAME
          adapt("#{text}: #{HOW.fetch("shaded_pole")}", work: "turn_round")
        end

        # A reversible one says nothing by itself: it was set as its blade wants it.
        def noted? = !old.rotation.nil? && old.rotation != "reversible"

        # @return ["cw", "ccw", nil]
        def turned = noted? ? old.rotation : @context.blade&.fetch(:sense, nil)

        def words(sense) = Matching::Rotation.words(sense)
      end
    end
  end
end
