# frozen_string_literal: true

module Fenbo
  module Frost
    # Why a frost map argues for what it does, in words.
    class Reasons
      include Reasoning

      # So many pictures are told, the heaviest first.
      MOST_TOLD = 3
      # From this weight on a second picture makes the map one between two.
      SECOND = 0.25

      # @param reading [Reading] of a coil that was seen
      def initialize(reading)
        @reading = reading
        @limits = reading.limits
      end

      def list
        weights.first(MOST_TOLD).filter_map { |id, _| send(:"why_#{id}") } + [between].compact
      end

      private

      attr_reader :limits

      def weights = @reading.weights

      def grid = @reading.grid

      def between
        return nil if weights.size < 2 || weights[1].last < SECOND
        reason(
          "The map lies between two pictures; both count with their weight",
          "frost.between",
          value: weights[1].last.round(2),
          source: "looking/frost-map"
        )
      end

      def why_clear
        limit_reason(
          "#{percent(grid.coverage)} of the coil carries frost: just defrosted, or not cooling at all",
          "frost.clear",
          value: grid.coverage.round(2)
        )
      end

      def why_even_light
        limit_reason(
          "#{percent(grid.coverage)} covered, thin and even: as it should be",
          "frost.covered",
          value: grid.coverage.round(2)
        )
      end

      def why_even_blocked
        limit_reason(
          "#{percent(grid.blockage)} of the fin gaps are closed, all over: defrost failed, moist air through " \
          "a door, or a fan dead for days",
          "frost.blocked",
          value: grid.blockage.round(2)
        )
      end

      def why_feed_end_only
        limit_reason(
          "Frost at the feed end and next to none at the far end: starved of refrigerant",
          "frost.bias",
          value: grid.feed_bias.round(2)
        )
      end

      def why_bottom_ice
        limit_reason(
          "The lowest rows are iced: the drain does not take the water",
          "frost.bias",
          value: grid.bottom_bias.round(2)
        )
      end

      def why_behind_one_fan
        position, contrast = @reading.signatures.foremost
        fan = @reading.question.fans.find { |one| one.position == position }
        said =
          if fan.running == false
            "it stands still, which explains its own frost"
          else
            "it moves no air there, though #{fan.running ? "it runs" : "nobody said whether it runs"}"
          end
        limit_reason(
          "The zone of #{position} carries #{contrast.round(1)} levels more than the others: #{said}",
          "frost.contrast",
          value: contrast.round(2)
        )
      end

      def why_fan_ring_ice
        reason(
          "Ice on blade, ring or guard: moist air drawn through a stopped or late fan",
          "frost.ring",
          source: "looking/frost-map"
        )
      end

      def why_near_door
        limit_reason(
          "Heavy towards the door: seal, curtain or a door left open",
          "frost.bias",
          value: grid.side_bias(@reading.question.door).round(2)
        )
      end

      def why_not_visible
        reason(
          "No known picture fits this map well: look again, or paint it finer",
          "frost.no_picture",
          source: "looking/frost-map"
        )
      end

      def percent(share) = "#{(share * 100).round} %"
    end
  end
end
