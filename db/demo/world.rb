# frozen_string_literal: true

require "yaml"
require_relative "catalogue"
require_relative "senses"
require_relative "circuit_maker"
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
        places
        history
        jobs.each { |row| JobMaker.new(row, now: @now).make }
        ShopExperience.recount
      end
    ensure
      Suppliers::Desk.service = nil
    end

    private

    def read(name) = YAML.safe_load_file(File.join(__dir__, name))

    def world = @world ||= read("places.yml")

    def jobs = read("jobs.yml")

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

    def places
      world["customers"].each do |row|
        customer =
          Customer.create!(
            name: row["name"],
            contact: row["contact"],
            phone: row["phone"],
            overtime_allowed: row["overtime"],
            approval_limit_cents: row["limit"],
            rules: row["rules"]
          )
        sites =
          row["sites"].map do |site|
            Site.create!(
              customer:,
              name: site["name"],
              address: site["address"],
              hours: site["hours"],
              access_notes: site["access"]
            )
          end
        row["units"].each { |unit| place(unit, sites.first) }
      end
    end

    def place(row, site)
      unit =
        Unit.create!(
          site:,
          name: row["name"],
          family: row["family"],
          model: row["model"],
          serial: row["serial"],
          installed_year: row["year"],
          refrigerant: row["refrigerant"],
          flammable: row.fetch("flammable", false),
          setpoint_c: row["setpoint"],
          product: row["product"],
          product_limit_c: row["limit"],
          product_value_cents: row["value"],
          drift_end_c: row["drift"],
          supply_volts: row.fetch("volts", 230),
          supply_phases: row.fetch("phases", 1),
          ambient_low_c: row["ambient"][0],
          ambient_high_c: row["ambient"][1],
          wet: row.fetch("wet", false),
          features: row.fetch("features", {}),
          quirks: row["quirks"],
          overload_low_a: row.dig("starter", 0),
          overload_high_a: row.dig("starter", 1),
          contactor_a: row.dig("starter", 2)
        )
      row["fans"].times { |index| fan(unit, row, index + 1) }
    end

    # The oldest fan of each unit has seen one motor before the present one.
    def fan(unit, row, number)
      position = FanPosition.create!(unit:, side: row.fetch("side", "evaporator"), number:)
      plate = plate_of(world["plates"].fetch(row["plate"]))
      first = Date.new(row["year"], 4, 12 + number)
      unless number == 1
        return FittedMotor.create!(fan_position: position, installed_on: first, source: "with the unit", **plate)
      end
      changed = @today - 1400 + number * 40
      FittedMotor.create!(
        fan_position: position,
        installed_on: first,
        removed_on: changed,
        source: "with the unit",
        **plate
      )
      FittedMotor.create!(
        fan_position: position,
        installed_on: changed,
        source: "Tarn counter",
        warranty_until: changed >> 24,
        **plate
      )
    end

    def plate_of(row)
      watts = (row["output"] / MotorMaker::EFFICIENCY[row["family"]]).round(1)
      phases = row.fetch("phases", 1)
      amps =
        row["volts"].map do |volts|
          (watts / (volts * MotorMaker::PF[row["family"]] * ((phases == 3) ? Math.sqrt(3) : 1))).round(2)
        end
      {
        part_no: row["part_no"],
        family: row["family"],
        volts: row["volts"],
        hertz: [50.0],
        phases:,
        amps:,
        watts:,
        horsepower: row["horsepower"],
        service_factor: row["service_factor"],
        rpm: row.fetch("rpm", 1300),
        poles: row.fetch("poles", 4),
        rotation: row["rotation"],
        shaft_diameter_mm: row["shaft"],
        shaft_length_mm: row["shaft_length"],
        mount: row["mount"],
        bolt_circle_mm: row["bolt_circle"],
        enclosure: "enclosed",
        connector: row["connector"],
        capacitor_uf: row["capacitor"],
        integral_blade: row.fetch("integral", false),
        control: (row["output"] > 500 && row["family"] == "ec") ? "0_10v" : nil,
        blade_diameter_mm: row["blade"],
        blade_bore_mm: row["blade"] && row["shaft"]
      }
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
            JobMaker.yearly_look(unit, technicians[(index + half) % technicians.size], on, half)
          end
        end
    end
  end
end
