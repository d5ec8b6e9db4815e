# frozen_string_literal: true

# Where everything recorded on a job is taken in, whoever hands it over: a form, the API,
# a meter, a file, a phone that comes back. One entry at a time; what must hold of all of
# them is held here (role, how the unit stands), what must hold of one in its own class.
#
#   book = Logbook.new(job, user)
#   book.take(Entries::Finding.new(id:, fan: "evaporator-2", test: "noise", outcome: "silent"))
#
# @raise [NotAllowed] where the role may not
# @raise [Logbook::Refused] with the field and a sentence, where something stands against it
class Logbook
  include Taking

  Refused = Taking::Refused

  attr_reader :record, :user, :now

  # @param record [Job]
  def initialize(record, user, now: Time.now)
    @record = record
    @user = user
    @now = now
  end

  # @return what the entry's `append` gives back, most often its row
  def take(entry)
    allow(entry)
    ActiveRecord::Base.transaction do
      # One entry after another on one job: the second sees what the first left.
      record.lock! unless record.held
      ActiveRecord::Base.connection.clear_query_cache
      append(entry)
    end
  end

  # The job as it stands before this entry.
  def job = @job ||= JobSource.numbered(record.number)

  # As it stands now, after an entry was appended.
  def reread = @job = JobSource.numbered(record.number)

  # The shop's own.
  def limits = @limits ||= Fenbo::Limits.default.with(Setting.read("limits"))

  # The row of a fan by its key; nil for the unit as a whole.
  def fan(key) = key && record.unit.position(key)

  # The row of the part that stands chosen for a fault; nil where none does.
  # @param fault [String] its key, or a fan's
  def choice(fault)
    told = job.part_choice(fault)
    told && PartChoice.find_by!(uid: told.uid)
  end

  # The visit that is going on; the first thing recorded on site begins one. A job that
  # nobody had is theirs who came, and its call is over.
  def visit
    @visit ||= Whereabouts.new(record, limits, job:).arrive(user, now).tap do |visit|
      record.update_columns(technician_id: visit.technician_id) unless record.technician_id
      finish("call") if record.station == "call"
    end
  end

  # Marks a station done and moves the job on, unless it is further already. No form that is
  # open meanwhile is older for it.
  def finish(station)
    step = StationStep.find_or_initialize_by(job: record, station:)
    step.update!(state: "done", done_by: user, done_at: now)
    all = Fenbo::JobFile::STATIONS
    following = all[all.index(station) + 1]
    record.update_columns(station: following) if following && all.index(record.station) <= all.index(station)
  end

  private

  def job_ended? = record.closed?

  def known(entry) = entry.known(self)

  def keep(entry) = entry.append(self)
end
