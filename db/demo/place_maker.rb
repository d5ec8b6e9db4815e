# frozen_string_literal: true

require_relative "motor_row"

module Demo
  # The demo customers with their sites, units, fans and the motors in them (places.yml).
  class PlaceMaker
    # @param places [Hash] places.yml as read
    def initialize(places, today:)
      @places = places
      @today = today
    end

    def make
      @places["customers"].each do |row|
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

    private

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
      plate = plate_of(@places["plates"].fetch(row["plate"]))
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
      watts = MotorRow.watts(row["family"], row["output"])
      phases = row.fetch("phases", 1)
      {
        part_no: row["part_no"],
        family: row["family"],
        volts: row["volts"],
        hertz: [50.0],
        phases:,
        amps: MotorRow.amps(row["family"], watts, row["volts"], phases),
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
  end
end
