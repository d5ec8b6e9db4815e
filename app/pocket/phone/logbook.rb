# frozen_string_literal: true

# Where everything recorded on a taken job comes in while there is no signal: held against the
# same rules as on the server, and kept in the job file.
class Logbook
  include Taking

  Refused = Taking::Refused

  attr_reader :record, :user, :now

  # @param record [Fenbo::JobFile::Job]
  def initialize(record, user, now: Time.now)
    @record = record
    @user = user
    @now = now.utc.floor(6)
  end

  # @return [Fenbo::JobFile::Finding, Reading, Decision] what the entry became
  def take(entry)
    allow(entry)
    append(entry)
  end

  def job = Phone.pack.job

  def job=(changed)
    Phone.pack.job = changed
  end

  def limits = @limits ||= Setting.limits

  def by = user.to_person

  # @param fault [String] its key, or a fan's
  def choice(fault) = job.part_choice(fault)

  # The visit that is going on; the first thing recorded on site begins one. A job that
  # nobody had is theirs who came, and its call is over.
  # @return [String] its uid
  def visit
    here = arrive
    self.job = job.with(technician: here.technician) unless job.technician
    finish("call") if job.station == "call"
    here.uid
  end

  # Marks a station done and moves the job on, unless it is further already.
  def finish(station)
    done = Fenbo::JobFile::StationDone.new(station:, state: "done", by:, done_at: now)
    all = Fenbo::JobFile::STATIONS
    following = all[all.index(station) + 1]
    further = following && all.index(job.station) <= all.index(station)
    self.job = job.with(stations: [*job.stations.reject { |one| one.station == station }, done],
      station: further ? following : job.station)
  end

  private

  # @return [Fenbo::JobFile::Visit] the one that goes on now
  def arrive
    arrival = job.presence(limits).arrive(by, now)
    there = job.visits.reject { |one| one.uid == arrival.visit.uid }
      .map { |one| arrival.over.key?(one.uid) ? one.with(ends_at: arrival.over[one.uid]) : one }
    self.job = job.with(visits: [*there, arrival.visit].sort_by(&:starts_at))
    arrival.visit
  end

  def job_ended? = job.closed?

  def known(_entry) = nil

  def keep(entry) = Kept.new(self).keep(entry)
end
