# frozen_string_literal: true

module Units
  # A unit's own sentences.
  module Words
    def bank_words(units)
      "#{count(units.size, "unit")}, #{count(units.sum { |unit| unit.fan_positions.size }, "fan")}"
    end

    # How many fans sit on a side, for a field: nobody has counted those of a new unit.
    def fans_of(unit, side)
      unit.fan_positions.count { |one| one.side == side } unless unit.new_record?
    end

    def motor_line(motor)
      amps = motor.amps.map { |one| Fenbo::Quantities.tidy(one) }.join("/")
      "#{motor.part_no || "no number"}, #{motor_words(motor.family)}, #{amps} A"
    end

    # Since when it sits there, and how long its warranty still runs.
    def since_words(motor)
      warranty = motor.warranty_until
      [motor.installed_on.strftime("%b %Y"),
        warranty && warranty > Date.today && "warranty to #{warranty.strftime("%b %Y")}"].select(&:itself).join(", ")
    end

    def starter_words(unit)
      dial = unit.overload_amps&.map { |amps| Fenbo::Quantities.tidy(amps) }&.join(" to ")
      [dial && "overload #{dial} A", unit.contactor_a && "contactor #{Fenbo::Quantities.tidy(unit.contactor_a)} A"]
        .compact.join(", ")
    end

    def place_words(unit)
      [ambient_words(unit), ("wet" if unit.wet), ("belt-driven" if unit.belt)].compact.join(", ")
    end

    # Either end may not be known.
    def ambient_words(unit)
      low, high = [unit.ambient_low_c, unit.ambient_high_c].map { |one| one && show(one, "temperature") }
      return "#{low} to #{high}" if low && high
      return "from #{low}" if low
      high ? "up to #{high}" : "–"
    end
  end
end
