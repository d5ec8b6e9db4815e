# frozen_string_literal: true

module Pocket
  # What a phone takes along for one job: its job file, who carries it, the shop's settings with
  # what its closed jobs teach, and the names of the other jobs of the visit.
  class Pack
    VERSION = 1

    # @param job [Fenbo::JobFile::Job]
    # @param user [User]
    def initialize(job, user, now: Time.now)
      @job = job
      @user = user
      @now = now
    end

    def as_json(*)
      {version: VERSION, made_at: @now.utc.iso8601, release: Code.release, person:, shop:, beside:, history:,
       job: @job.as_json}
    end

    private

    def person
      @user.slice("id", "uid", "name", "role", "unit_system", "appearance",
        "meter").merge("licensed" => @user.licensed?, "ticket" => LeftPress.ticket(@user))
    end

    def shop = Setting::DEFAULTS.keys.to_h { |name| [name, Setting.read(name)] }

    # What the stations show of the unit's other jobs.
    def history
      readings = UnitReadings.new(@job.unit.uid)
      cleanings = @job.unit.fans.flat_map { |fan| readings.cleanings(fan.key) }
      {maps: readings.maps(besides: @job.uid), cleanings:}.transform_values { |list| list.map(&:as_json) }
    end

    def beside
      Job.beside(@job.uid, @job.beside).map { |one| {number: one.number, unit: one.unit.name} }
    end
  end
end
