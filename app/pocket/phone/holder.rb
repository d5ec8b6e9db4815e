# frozen_string_literal: true

# Whoever carries the phone, as far as pages and rules ask.
class Holder
  attr_reader :id, :uid, :name, :role, :unit_system, :appearance, :meter

  # @param told [Hash] of the pack
  def initialize(told)
    @id, @uid, @name, @role, @unit_system, @appearance, @meter =
      told.values_at("id", "uid", "name", "role", "unit_system", "appearance", "meter")
    @licensed = told["licensed"]
  end

  def licensed? = @licensed

  def session_version = 1

  def first_name = name.split.first

  def technician? = role == "technician"

  def office? = role == "office"

  def apprentice? = role == "apprentice"

  def meter_for_core
    meter.slice("percent", "counts", "resolution", "true_rms").presence
  end

  # As a job has them.
  def to_person = Fenbo::JobFile::Person.new(uid:, name:, role:)
end
