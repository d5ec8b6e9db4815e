# frozen_string_literal: true

module FenboSimulation
  module Yard
    # Somebody who looks, listens, feels and measures: near a border they name either side,
    # and four answers in a hundred are plainly wrong.
    class Witness
      SLIPS = 0.04
      ODD = {
        "stands_still" => ["fan_motion", %w[normal]], "noise" => ["noise", %w[quiet_normal silent]],
        "too_warm" => ["box_temperature", %w[normal too_cold]],
        "too_cold" => ["box_temperature", %w[normal warm very_warm]],
        "ice" => ["frost_pattern", %w[even_light clear not_visible]], "water" => ["water_present", %w[no]],
        "little_air" => ["airflow", %w[normal]]
      }.freeze

      attr_reader :condition

      def initialize(condition, dice, answers)
        @condition = condition
        @dice = dice
        @answers = answers
        @seen = {}
      end

      def place = condition.place

      # @param answers_of [Array<String>] every answer the test takes
      def see(test_id)
        true_answer = known(test_id)
        return true_answer unless @dice.chance?(SLIPS)
        @dice.among(@answers[test_id] - [true_answer])
      end

      def neighbour_motion(_index)
        stands = condition.beside_stand? || @dice.chance?(0.03)
        stands ^= @dice.chance?(SLIPS)
        stands ? "stopped" : "normal"
      end

      # What whoever called could have noticed.
      def symptoms
        ODD.select { |_, (test, fine)| fits?(test) && !fine.include?(known(test)) }.keys
      end

      def complaint
        told = symptoms.select { @dice.chance?(0.72) }
        told << @dice.among(ODD.keys.select { |kind| fits?(ODD[kind].first) }) if told.empty? && symptoms.empty?
        told.empty? ? [@dice.among(symptoms)] : told
      end

      private

      def fits?(test)
        place.cold? || !%w[frost_pattern water_present].include?(test)
      end

      def known(test_id)
        @seen[test_id] ||= Round.new(condition, @dice).public_send(test_id)
      end
    end
  end
end
