# frozen_string_literal: true

module Shared
  # The copper tube with the nine stations as its fittings: which is done, where one
  # stands, how far it is filled; and which of them fold away on a phone.
  class Tube
    ALL = Fenbo::JobFile::STATIONS
    Fitting = Fenbo::Value.of(:id, :state, :filled, :far, :following, :before)
    # Fittings a phone shows at least.
    SHOWN = 3

    # @param job [Fenbo::JobFile::Job]
    # @param station [String] the one that is open
    def initialize(job, station)
      @job = job
      @at = ALL.index(station)
      @furthest = ALL.index(job.station)
    end

    def fittings
      ALL.each_with_index.map do |id, index|
        Fitting.new(id:, state: state(id, index), filled: filled?(index), far: far?(index),
          following: index == @at + 1, before: index == @at - 1)
      end
    end

    private

    def state(id, index)
      return "now" if index == @at
      @job.done?(id) ? "done" : "todo"
    end

    def filled?(index)
      index <= [@furthest, @at].min || (index <= @furthest && @job.done?(ALL[[index - 1, 0].max]))
    end

    # At either end the neighbour's neighbour stays, so that three are shown.
    def far?(index)
      nearest = @at.clamp(1, ALL.size - 2)
      (index - nearest).abs > SHOWN / 2
    end
  end
end
