# frozen_string_literal: true

# Readings of a unit beyond the job in hand, as the job file has them: its frost maps and
# recordings over the years.
class UnitReadings
  MOST_MAPS = 6
  MOST_RECORDINGS = 30

  # @param uid [String] of the unit
  def initialize(uid)
    @uid = uid
  end

  # Frost maps before this job, latest first.
  # @param besides [String] uid of the job in hand
  def maps(besides:)
    read(of_unit.where(kind: "frost").where.not(jobs: {uid: besides}).order(taken_at: :desc).limit(MOST_MAPS))
  end

  # Recordings of all its fans, latest first.
  def recordings
    read(of_unit.where(kind: "sound").order(taken_at: :desc).limit(MOST_RECORDINGS))
  end

  # Cleanings of one fan, latest first.
  # @param fan [String] its key
  def cleanings(fan)
    read(of_unit.where(kind: "cleaning").order(taken_at: :desc)).select { |reading| reading.fan == fan }
  end

  # The row of one recording, for its file.
  # @raise [ActiveRecord::RecordNotFound]
  def recording(id) = of_unit.where(kind: "sound").find_by!(client_id: id)

  private

  def of_unit = Reading.live.joins(job: :unit).where(units: {uid: @uid})

  def read(scope)
    scope.preload(:user, :fan_position).map do |row|
      Fenbo::JobFile::Reading.new(id: row.client_id, fan: row.fan_position&.key, taken_at: row.taken_at,
        by: row.user.to_person, phase: row.phase,
        kind: row.kind, typed: row.typed, question: row.question, result: row.result, verdict: row.verdict)
    end
  end
end
