# frozen_string_literal: true

module Clocks
  # What the box reads now, or a logger's lines of which the last is now.
  class Form < Shared::Form
    def initialize(params, limits:, now: Time.now, **options)
      super(params, **options)
      @limits = limits
      @now = now
    end

    # @return [Entries::BoxRead, nil] nil with faults
    def entry(id:)
      points = typed(:readings).empty? ? one : logged
      Entries::BoxRead.new(id:, points:, typed: params.slice("now", "readings")) if clean?
    end

    private

    def one
      celsius = quantity(:now, "box_temperature", required: true)
      [[@now, celsius]]
    end

    def logged
      log = Shared::LoggerFile.new(params[:readings], system: @system, most: @limits["pulldown.most_readings"].to_i)
      return fault(:readings, log.fault) || [] if log.fault
      fault(:readings, "No reading in it.") if log.rows.empty?
      last = log.rows.map { |row| row["minute"] }.max
      log.rows.map { |row| [@now - (last - row["minute"]) * 60, row["c"]] }
    end
  end
end
