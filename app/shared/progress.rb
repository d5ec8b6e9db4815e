# frozen_string_literal: true

module Shared
  # Which stations of a job are done, and where it stands.
  class Progress
    NAMES = {"call" => "Call", "look" => "Look", "measure" => "Measure", "decide" => "Decide", "match" => "Match",
             "source" => "Source", "fit" => "Fit", "prove" => "Prove", "hand_over" => "Hand over"}.freeze

    # Marks `station` done and moves the job on, unless it is further already.
    def self.finish(job, station, user)
      mark(job, station, "done", user)
      following = Job::STATIONS[Job::STATIONS.index(station) + 1]
      further = Job::STATIONS.index(job.station) > Job::STATIONS.index(station)
      job.update!(station: following) if following && !further
    end

    def self.mark(job, station, state, user)
      step = StationStep.find_or_initialize_by(job:, station:)
      step.update!(state:, done_by: user, done_at: (Time.now if state == "done"))
    end

    def initialize(job)
      @states = job.station_steps.to_h { |step| [step.station, step.state] }
    end

    def done?(station) = @states[station] == "done"
  end
end
