# frozen_string_literal: true

# Readings of the unit beyond the job in hand, as far as they came along.
class UnitReadings
  def initialize(_uid)
    @came = Phone.pack.history
  end

  def maps(besides:) = read("maps")

  # Of this job: the others of the unit lie on the server.
  def recordings = Phone.pack.job.readings_of("sound").reverse

  def cleanings(fan) = read("cleanings").select { |reading| reading.fan == fan }

  private

  def read(name)
    @came.fetch(name, []).map { |row| Fenbo::JobFile::Reading.from_json(row) }
  end
end
