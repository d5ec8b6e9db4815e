# frozen_string_literal: true

# Keeps who is where: what JobFile::Presence says of a job's visits becomes their rows.
class Whereabouts
  # Every visit that has fallen silent is over with the last thing recorded in it.
  # @param limits [Fenbo::Limits]
  def self.sweep(limits, now: Time.now)
    Job.where(id: Visit.where(ends_at: nil, starts_at: ...now).select(:job_id)).find_each do |record|
      record.with_lock { new(record, limits).sweep(now) }
    end
  end

  # @param record [Job]
  # @param job [Fenbo::JobFile::Job] the same as it stands now
  def initialize(record, limits, job: JobSource.numbered(record.number))
    @record = record
    @limits = limits
    @job = job
    @presence = job.presence(limits)
  end

  # Somebody records something here: their visits at other sites are over.
  # @return [Visit] the one that goes on now
  def arrive(user, now)
    leave_others(user, now)
    arrival = @presence.arrive(user.to_person, now)
    arrival.over.each { |uid, at| row(uid).update!(ends_at: at) }
    keep(arrival.visit)
  end

  # The job is over, and with it whoever is there; what was only planned is not made.
  def close(now)
    @presence.close(now).each { |uid, at| at ? row(uid).update!(ends_at: at) : row(uid).destroy! }
    @record.visits.reset
  end

  def sweep(now)
    @job.visits.select { |visit| @presence.made.include?(visit) && @presence.silent?(visit, now) }.each do |visit|
      row(visit.uid).update!(ends_at: @presence.last_sign(visit))
    end
  end

  # Whoever works at another site is not here any more.
  def left(user, now)
    @presence.made.select { |visit| visit.going_on?(now) && visit.technician.uid == user.uid }.each do |visit|
      row(visit.uid).update!(ends_at: @presence.last_sign(visit))
    end
  end

  private

  # Units of one site are worked on side by side.
  def leave_others(user, now)
    site = @record.unit.site_id
    going_on = Visit.where(technician: user, ends_at: nil, starts_at: ..now)
    elsewhere = Job.where(id: going_on.select(:job_id)).joins(:unit).where.not(units: {site_id: site})
    elsewhere.each { |other| self.class.new(other, @limits).left(user, now) }
  end

  def row(uid) = Visit.find_by!(uid:)

  def keep(visit)
    row = Visit.find_by(uid: visit.uid) || @record.visits.build(uid: visit.uid, purpose: visit.purpose,
      technician: User.find_by!(uid: visit.technician.uid))
    row.update!(starts_at: visit.starts_at, arrival_c: visit.arrival_c)
    row
  end
end
