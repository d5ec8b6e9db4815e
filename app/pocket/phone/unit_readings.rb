# frozen_string_literal: true

# Readings of the unit beyond the job in hand, as far as they came along.
class UnitReadings
  def initialize(_uid)
    @came = Phone.pack.history
  end

  def maps(besides:) = read("maps")

  def recordings = []

  def cleanings(fan) = read("cleanings").select { |reading| reading.fan == fan }

  private

  def read(name)
    @came.fetch(name, []).map { |row| Fenbo::JobFile::Reading.from_json(row) }
  end
end
