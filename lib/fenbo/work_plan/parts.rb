# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # The parts that go in by the plan of an opening: those chosen for its works.
    class Parts
      # @param works [Array<Opening::Work>] the lead first
      def initialize(family, works)
        @family = family
        @works = works
      end

      # @return [Array<JobFile::PartChoice>]
      def choices = @choices ||= @works.filter_map { |work| choice(work) }

      # The one for the work that leads.
      def lead = choice(@works.first)

      # The choice with a motor.
      def motor = choices.find(&:motor)

      # The choice with a seat for its hub.
      def seated = choices.find(&:seat_mm)

      # What moves across to the new part, as Match judged it; nil where it did not.
      def transfers
        (motor || lead)&.beside&.fetch("transfers", nil)
      end

      def extra_work
        choices.flat_map { |one| one.beside.to_h["extra_work"].to_a }
      end

      # Keys of the faults that get their part by this plan.
      def fitting
        @works.select { |work| choice(work)&.thing }.map { |work| work.fault.key }
      end

      private

      def choice(work) = Task.choice(@family, work)
    end
  end
end
