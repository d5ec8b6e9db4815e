# frozen_string_literal: true

module Fenbo
  module Product
    # What would keep a job's product cold meanwhile, and how long it could wait then.
    #
    #   Stopgaps.new(job, fan, clock:, limits:).all.first.hours_to_limit
    class Stopgaps
      # `hours_to_limit` from now; nil: it waits. How it changes the drift: so many times slower,
      # towards an end nearer by this share, all of it where the product waits elsewhere.
      Stopgap = Value.of(:id, :label, :minutes, :hours_to_limit, :undo, :slower, :nearer)

      def self.table = Knowledge.table("stopgaps")

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
        Stopgaps.table.select { |_, row| here?(row) }.map { |id, row| stopgap(id, row) }
          .select { |one| one.hours_to_limit.nil? || one.hours_to_limit > @clock.hours_left }
      end

      private

      def here?(row)
        traits = Knowledge.table("families")[@job.unit.family]["traits"]
        (row.fetch("needs", []) - traits).empty? && fans >= row.fetch("fans", 1)
      end

      def fans = @job.unit.fans.count { |fan| fan.side == @fan.side }

      def stopgap(id, row)
        drift = drift(row)
        Stopgap.new(id:, label: row["label"], minutes: row["minutes"], undo: row["undo"], **drift,
          hours_to_limit: row["waits"] ? nil : @clock.hours_with(**drift))
      end

      def drift(row)
        return {slower: 1, nearer: 1} if row["waits"]
        {slower: row["slows"] ? @limits["stopgap.#{row["slows"]}"] : 1,
         nearer: row["holds"] ? @limits["stopgap.#{row["holds"]}"] : 0}
      end
    end
  end
end
