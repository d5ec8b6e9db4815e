# frozen_string_literal: true

module Stations
  module HandOver
    # What was noted of refrigerant on a job, each with its circuit: moves, and leak searches of
    # this job or of an earlier one that are open still.
    Refrigerant = Fenbo::Value.of(:moves, :leaks) do
      # @param job [Fenbo::JobFile::Job]
      define_singleton_method(:of) do |job|
        circuits = job.unit.circuits.to_a
        new(
          moves: circuits.flat_map { |one|
            one.live_moves.select { |move|
              move.job == job.uid
            }.map { |move| [one, move] }
          },
          leaks: circuits.flat_map { |one|
            one.live_leaks.select { |leak| leak.job == job.uid || leak.open? }.map { |leak| [one, leak] }
          }
        )
      end

      def none? = moves.empty? && leaks.empty?
    end
  end
end
