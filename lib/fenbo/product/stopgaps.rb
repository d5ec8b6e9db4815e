# frozen_string_literal: true

module Fenbo
  module Product
    # What would keep a job's product cold meanwhile, and how long it could wait then.
    #
    #   Stopgaps.new(job, fan, clock:, limits:).all.first.hours_to_limit
    class Stopgaps
      # `hours_to_limit` from now; nil: it waits. How it changes the drift: so many times slower,
      # towards an end nearer by this share, all of it where the product waits elsewhere.
      Stopgap = Value.of(:id, :label, :minutes, :hours_to_limit, :undo, :cautions, :slower, :nearer)

      NO_EFFECT = {slower: 1, nearer: 0}.freeze

      def self.table = Knowledge.table("stopgaps")

      # What one does to the drift; nothing where there is none.
      # @return [Hash] slower, nearer
      def self.effect(id, limits)
        row = table[id] or return NO_EFFECT
        return {slower: 1, nearer: 1} if row["waits"]
        {slower: row["slows"] ? limits["stopgap.#{row["slows"]}"] : 1,
         nearer: row["holds"] ? limits["stopgap.#{row["holds"]}"] : 0}
      end

      # What is set up at a job, or was taken with a way to a part, and is to be undone some day.
      # @param job [JobFile::Job]
      # @return [Array<Hash>] rows of stopgaps.yml
      def self.to_undo(job)
        taken = job.faults.map { |fault| fault.part_choice&.offer.to_h["stopgap"] }
        [job.drift_from&.stopgap, *taken].compact.uniq.filter_map { |id| table[id] }
      end

      # @param clock [JobClock]
      def initialize(job, fan, clock:, limits:)
        @job = job
        @fan = fan
        @clock = clock
        @limits = limits
      end

      # Those that this unit can have and that win any time; none while the product waits anyway.
      # @return [Array<Stopgap>]
      def all
        return [] unless @clock.running?
        Stopgaps.table.select { |id, row| id != @clock.stopgap && here?(row) }.map { |id, row| stopgap(id, row) }
          .select { |one| one.hours_to_limit.nil? || one.hours_to_limit > @clock.hours_left }
      end

      private

      def here?(row)
        traits = Knowledge.table("families")[@job.unit.family]["traits"]
        (row.fetch("needs", []) - traits).empty? && fans >= row.fetch("fans", 1)
      end

      def fans = @job.unit.fans.count { |fan| fan.side == @fan.side }

      def stopgap(id, row)
        drift = Stopgaps.effect(id, @limits)
        Stopgap.new(id:, label: row["label"], minutes: row["minutes"], undo: row["undo"],
          cautions: row.fetch("caution", []), **drift,
          hours_to_limit: row["waits"] ? nil : @clock.hours_with(**drift))
      end
    end
  end
end
