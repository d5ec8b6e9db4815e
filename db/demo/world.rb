# frozen_string_literal: true

require "yaml"
require_relative "catalogue"
require_relative "place_maker"
require_relative "yearly_look"
require_relative "job_maker"

module Demo
  # Loads the whole demo world once, with dates relative to `today`. What people
  # and places are called is in places.yml and jobs.yml; every verdict stored is
  # the core's own.
  class World
    METERS = {
      "ilka" => {
        "name" => "Small jaw",
        "percent" => 2.0,
        "counts" => 5,
        "resolution" => 0.01,
        "true_rms" => true
      },
      "jorun" => {
        "name" => "Small jaw",
        "percent" => 2.0,
        "counts" => 5,
        "resolution" => 0.01,
        "true_rms" => true
      },
      "pavo" => {
        "name" => "Workshop clamp",
        "percent" => 1.5,
        "counts" => 3,
        "resolution" => 0.01,
        "true_rms" => true
      },
      "sefa" => {
        "name" => "Old clamp",
        "percent" => 3.0,
        "counts" => 5,
        "resolution" => 0.1,
        "true_rms" => false
      }
    }.freeze
    # Who may move refrigerant.
    LICENCES = {"ilka" => "K-2207", "pavo" => "K-1184"}.freeze
    YEARS = 3

    def initialize(today:, now: Time.now)
      @today = today
      @now = now
    end

    def load
      # Its own suppliers answer, whatever service the shop has named.
      Suppliers::Desk.service = Suppliers::Desk.service_at(nil)
      ActiveRecord::Base.transaction do
        Setting.write("shop_name", "Tarn Cooling")
        Setting.write("demo_loaded_on", @today.iso8601)
        people
        Catalogue.new.load
        vans
        PlaceMaker.new(read("places.yml"), today: @today).make
        make(closed)
        history
        make(jobs - closed)
        ShopExperience.recount
      end
      # The first pages are planned by what is there, not by empty tables.
      ActiveRecord::Base.connection.execute("ANALYZE")
    ensure
      Suppliers::Desk.service = nil
    end

    private

    def read(name) = YAML.safe_load_file(File.join(__dir__, name))

    def jobs = @jobs ||= read("jobs.yml")

    # Made before the half-yearly looks, which see the motors that came in then.
    def closed
      jobs.select { |row| row["closed"] }.sort_by { |row| -row["ago_h"] }
    end

    def make(rows)
      rows.each { |row| JobMaker.new(row, now: row["closed"] ? by_day(row) : @now).make }
    end

    # Seen from where somebody came at ten on a working day, whenever the world is loaded: what
    # is over was no work of the night.
    def by_day(row)
      came = @now + row["visits"].first[1] * 3600
      day = came.to_date
      day -= 1 while day.saturday? || day.sunday?
      @now + (Time.local(day.year, day.month, day.day, 10) - came)
    end

    def people
      Demos::PEOPLE.each do |person|
        licence = LICENCES[person[:login]]
        User.create!(**person, password: Demos::PASSWORD, meter: METERS.fetch(person[:login], {}),
          licensed: !licence.nil?, licence:)
      end
    end

    # Two pieces each of what goes most often; jorun's last contactor is too few.
    STOCK = %w[BR-S10-230-R BR-S12-230-R VE-P125-BB VE-P90-BB KA-E16-230 KA-E25-230].freeze

    def vans
      User.in_the_field.each do |user|
        STOCK.each { |part_no| VanStock.create!(user:, part_no:, count: 2, least: 1) }
      end
      contactor = Spare.where(kind: "contactor").first!.part_no
      VanStock.create!(user: User.find_by!(login: "jorun"), part_no: contactor, count: 1, least: 2)
    end

    # Twice a year each unit was looked at; fans age, some faster than others.
    def history
      technicians = User.where(role: "technician").order(:id).to_a
      Unit
        .order(:id)
        .includes(fan_positions: :motor_now)
        .each_with_index do |unit, index|
          (YEARS * 2).downto(1) do |half|
            on = @today - half * 182 + index * 3
            YearlyLook.new(unit, technicians[(index + half) % technicians.size], on, half).make
          end
        end
    end
  end
end
