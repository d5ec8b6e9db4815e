# frozen_string_literal: true

module Stations
  module WorkPlan
    # The record of a cleaning: what, how dirty before and after, with what. The unit's
    # earlier cleanings are laid beside it, so that one that keeps getting dirty is seen.
    class CleaningForm < Shared::Form
      WHAT = Fenbo::Proof::Cleaning::PARTS
      LEVELS = Fenbo::Proof::Cleaning::LEVEL_WORDS
      WORDS = {"clean" => "clean now", "better" => "better, not clean", "unchanged" => "no better than before"}.freeze

      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(plan, params, now: Time.now)
        super(params)
        @plan = plan
        @now = now
      end

      # What is dirty on this side, most often.
      def usual
        (@plan.fan.side == "condenser") ? %w[condenser blade guard] : %w[coil blade guard drain]
      end

      def picked = params.key?(:parts) ? chosen : usual

      # The one kept last on this job.
      def kept = @plan.job.readings_of("cleaning", fan: @plan.fan.key).last

      def read
        before, after = level(:before), level(:after)
        minutes = whole(:minutes, 0..600)
        method = text(:method, longest: Fenbo::Proof::Cleaning::LONGEST)
        fault(:parts, "Say what was cleaned.") if chosen.empty?
        return false unless clean?
        @question = {"parts" => chosen, "before" => before, "after" => after, "method" => method,
                     "minutes" => minutes, "earlier" => earlier}.compact
        @result = Fenbo.call(:cleaning, @question, limits: Shared::Shop.limits)
        @result.faults.each { |one| fault(one.field.to_sym, one.message) } if @result.refused?
        clean?
      end

      def entry(id)
        Entries::Reading.new(id:, fan: @plan.fan.key, kind: "cleaning", phase: "after", question: @question,
          result: @result, typed: params.slice("parts", "before", "after", "method", "minutes").to_h)
      end

      def words = WORDS.fetch(@result.verdict)

      private

      def chosen = WHAT & Array(params[:parts])

      def level(name)
        whole(name, Fenbo::Proof::Cleaning::LEVELS, required: true)
      end

      # Cleanings of this fan on other jobs, by how long ago.
      def earlier
        UnitReadings.new(@plan.job.unit.uid).cleanings(@plan.fan.key).map do |reading|
          {"days_ago" => ((@now - reading.taken_at) / 86_400).floor, "before" => reading.question["before"]}
        end
      end
    end
  end
end
