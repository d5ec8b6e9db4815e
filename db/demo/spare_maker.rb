# frozen_string_literal: true

module Demo
  # Parts that are not motors: of each kind a row of sizes, from two makers, some of them
  # marked for flammable refrigerants.
  class SpareMaker
    MAKERS = {"BR" => "Brennik", "OS" => "Oskelund", "VE" => "Veltrin", "KA" => "Karsund"}.freeze

    # @return [Array<Hash>] every column given, since rows are inserted together
    def rows
      lists = contactors + relays + capacitors + switches + heaters + sensors + connectors + gaskets + small
      lists.each_with_index.map { |row, index| blank.merge(row, cross_reference: [], flammable_ok: (index % 3).zero?) }
    end

    private

    def blank
      @blank ||= Spare.column_names.without("id", "part_key", "created_at", "updated_at")
        .to_h { |name| [name.to_sym, nil] }.merge(sealed: false)
    end

    def part(code, kind, price_cents, **columns)
      {part_no: code, maker: MAKERS.fetch(code[0, 2]), kind:, price_cents:, **columns}
    end

    def contactors
      [24, 115, 230].product([9, 12, 18, 25, 32, 40], [1, 3]).each_with_index.map do |(volts, amps, poles), index|
        code = "#{%w[VE OS][index % 2]}-C#{amps}-#{volts}-#{poles}P"
        part(code, "contactor", 2100 + amps * 90 + poles * 300, coil_volts: volts.to_f, hertz: 50.0, poles:,
          amps: amps.to_f, held: %w[rail screws][index / 2 % 2])
      end
    end

    def relays
      [24, 115, 230].product([8, 16, 30]).map do |volts, amps|
        part("VE-R#{amps}-#{volts}", "relay", 900 + amps * 40, coil_volts: volts.to_f, amps: amps.to_f, pins: 8)
      end
    end

    def capacitors
      [2.5, 3.0, 4.0, 5.0, 6.0, 7.5, 8.0, 10.0, 12.5, 15.0,
        20.0].product([370, 450]).each_with_index.map do |(uf, volts), index|
        part("VE-CR#{(uf * 10).to_i}-#{volts}", "run_capacitor", 820 + (uf * 55).to_i, uf:, volts: volts.to_f,
          sections: 1, form: %w[round oval][index % 2])
      end
    end

    def switches
      %w[opens closes].product(%w[spades moulded leads]).each_with_index.map do |(action, plug), index|
        part("BR-DS#{index + 1}", "door_switch", 1150 + index * 60, action:, plug:, amps: 6.0)
      end
    end

    def heaters
      defrost = [115, 230].product([200, 320, 400, 500, 800]).map do |volts, watts|
        part("OS-H#{watts}-#{volts}", "defrost_heater", 2900 + watts * 3, volts: volts.to_f, watts: watts.to_f,
          length_mm: 300.0 + watts * 0.75, plug: (watts > 400) ? "leads" : "moulded")
      end
      drain = [230].product([25, 50, 80]).map do |volts, watts|
        part("OS-HD#{watts}-#{volts}", "drain_heater", 1900 + watts * 8, volts: volts.to_f, watts: watts.to_f,
          length_mm: 900.0 + watts * 12)
      end
      defrost + drain
    end

    def sensors
      terminations = [[-5, 10], [-2, 12], [-12, 5]].map do |closes, opens|
        part("BR-T#{opens}#{closes.abs}", "defrost_termination", 1650, closes_c: closes.to_f, opens_c: opens.to_f,
          pins: 2)
      end
      controls = [115, 230].product([4, 8]).map do |volts, a_day|
        part("KA-DC#{a_day}-#{volts}", "defrost_control", 7900, volts: volts.to_f, a_day:, amps: 20.0)
      end
      thermostats = [[5, 1], [-16, -20], [8, 4]].map do |closes, opens|
        part("KA-TH#{closes.abs}#{opens.abs}", "thermostat", 2950, closes_c: closes.to_f, opens_c: opens.to_f,
          amps: 16.0)
      end
      terminations + controls + thermostats
    end

    def connectors
      [2, 3, 4, 6].product(%w[round flat square]).map do |pins, form|
        part("KA-P#{pins}#{form[0].upcase}", "connector", 480 + pins * 60, pins:, form:, wire_mm2: 1.5,
          sealed: form != "flat")
      end
    end

    def gaskets
      [[1500, 620], [1320, 560], [820, 540], [1900, 900]].product(%w[dart screw_in]).map do |(height, width), profile|
        part("BR-G#{height / 10}#{width / 10}#{profile[0].upcase}", "gasket", 3400 + height, length_mm: height.to_f,
          width_mm: width.to_f, profile:)
      end
    end

    def small
      mounts = [[6.0, 16.0], [8.0, 20.0], [10.0, 24.0]].map do |bore, outer|
        part("OS-GR#{bore.to_i}", "mount", 310, bore_mm: bore, outer_mm: outer)
      end
      guards = [[254.0, 280.0], [300.0, 330.0], [406.0, 440.0]].map do |bore, outer|
        part("OS-GU#{bore.to_i}", "guard", 1450, bore_mm: bore, outer_mm: outer)
      end
      mounts + guards + [part("BR-DM230", "damper", 5200, volts: 230.0, plug: "moulded")]
    end
  end
end
