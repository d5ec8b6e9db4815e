# frozen_string_literal: true

require_relative "motor_row"

module Demo
  # Motors that could exist: family and output make the row, poles and hertz the speed, the
  # output the shaft. The same seed makes the same motors, as many as are wanted.
  class MotorMaker
    SLIP = {"shaded_pole" => 0.135, "psc" => 0.09, "ec" => 0.0, "split_phase" => 0.05, "three_phase" => 0.055}.freeze
    MAKERS = {"Brennik" => "BR", "Veltrin" => "VE", "Karsund" => "KA", "Oskelund" => "OS", "Mirvane" => "MI"}.freeze
    LETTER = {"shaded_pole" => "S", "psc" => "P", "ec" => "E", "split_phase" => "G", "three_phase" => "T"}.freeze
    # How often each family is made, its outputs in W, its pole counts and supplies.
    LINES = {
      "shaded_pole" => {
        share: 0.30,
        outputs: [2, 3, 4, 5, 6, 8, 9, 10, 12, 14, 16, 18, 20, 25],
        poles: [4, 4, 4, 2],
        supplies: [[[230.0], 1], [[115.0], 1], [[208.0, 230.0], 1]],
        mounts: %w[ring ring rail yoke c_frame],
        enclosures: %w[enclosed open_air_over open],
        shafts: [4.76, 6.35, 6.35, 7.94],
        forms: %w[round round threaded push_on]
      },
      "psc" => {
        share: 0.25,
        outputs: [35, 50, 60, 75, 90, 125, 150, 185, 250, 370],
        poles: [4, 6, 6, 8],
        supplies: [[[230.0], 1], [[208.0, 230.0], 1], [[115.0], 1], [[115.0, 230.0], 1]],
        mounts: %w[belly_band stud base ring],
        enclosures: %w[enclosed enclosed open_air_over open],
        shafts: [9.53, 12.7, 12.7],
        forms: %w[round flat]
      },
      "ec" => {
        share: 0.25,
        outputs: [4, 6, 8, 10, 12, 16, 20, 25, 38, 55, 90, 170, 370],
        poles: [4],
        supplies: [[[230.0], 1], [[115.0], 1], [[115.0, 230.0], 1], [[400.0], 3]],
        mounts: %w[ring rail venturi yoke],
        enclosures: %w[potted enclosed],
        shafts: [4.76, 6.35, 6.35, 12.7],
        forms: %w[round flat]
      },
      "split_phase" => {
        share: 0.05,
        outputs: [90, 120, 180, 250, 370],
        poles: [4, 6],
        supplies: [[[230.0], 1], [[115.0], 1], [[115.0, 230.0], 1]],
        mounts: %w[base stud],
        enclosures: %w[open open_air_over enclosed],
        shafts: [12.7, 14.0],
        forms: %w[flat keyed]
      },
      "three_phase" => {
        share: 0.15,
        outputs: [124, 186, 249, 373, 559, 746, 1119, 1491, 2237],
        poles: [4, 6, 8],
        supplies: [[[400.0], 3], [[230.0, 400.0], 3], [[230.0, 460.0], 3], [[208.0, 230.0, 460.0], 3]],
        mounts: %w[stud base belly_band],
        enclosures: %w[enclosed enclosed open_air_over],
        shafts: [15.88, 19.0, 22.2],
        forms: %w[keyed]
      }
    }.freeze
    def initialize(seed: 5)
      @random = Random.new(seed)
      @taken = Hash.new(0)
    end

    # @return [Enumerator] of rows, endless
    def rows
      Enumerator.new { |out| loop { out << row(family) } }
    end

    private

    def pick(list) = list[@random.rand(list.size)]

    def family
      point = @random.rand
      LINES.each { |name, line| (point -= line[:share]).negative? and return name }
      LINES.keys.last
    end

    def row(family)
      line = LINES[family]
      output, (volts, phases) = pick(line[:outputs]), pick(line[:supplies])
      maker, poles = pick(MAKERS.keys), pick(line[:poles])
      hertz = pick([[50.0], [60.0], [50.0, 60.0]])
      made =
        MotorRow.of(
          number(maker, family, output, volts),
          maker,
          family,
          output,
          volts:,
          phases:,
          hertz:,
          poles:,
          rpm: speed(family, poles, hertz),
          rotation: turns(family),
          shaft_diameter_mm: shaft(line, output),
          shaft_form: pick(line[:forms]),
          shaft_length_mm: length(output),
          mount: pick(line[:mounts]),
          enclosure: pick(line[:enclosures]),
          **rest(family, output)
        )
      made[:bolt_circle_mm] = pick([92.0, 110.0, 130.0, 145.0]) if %w[stud venturi].include?(made[:mount])
      made[:price_cents] = (made[:price_cents] * (0.88 + 0.24 * @random.rand) / 50).round * 50
      made
    end

    def number(maker, family, output, volts)
      stem = "#{MAKERS[maker]}-#{LETTER[family]}#{output}-#{(volts.size > 1) ? "DV" : volts.first.to_i}"
      "#{stem}-#{(@taken[stem] += 1) + 100}"
    end

    # The field's speed less the slip, a little different for every make.
    def speed(family, poles, hertz)
      return pick([900.0, 1300.0, 1550.0, 1800.0]) if family == "ec"
      (120 * hertz.first / poles * (1 - SLIP[family] * (0.85 + 0.3 * @random.rand)) / 5).round * 5.0
    end

    def turns(family)
      pick(
        {"shaded_pole" => %w[cw ccw reversible], "ec" => %w[cw ccw cw]}.fetch(
          family,
          %w[reversible reversible cw ccw]
        )
      )
    end

    # The thicker shafts belong to the stronger motors of a line.
    def shaft(line, output)
      sizes = line[:shafts].uniq
      place = line[:outputs].index(output).fdiv(line[:outputs].size) * sizes.size
      sizes[(place + @random.rand - 0.5).floor.clamp(0, sizes.size - 1)]
    end

    def length(output)
      (24 + 14 * Math.cbrt(output) * (0.6 + 0.5 * @random.rand)).round.to_f
    end

    def rest(family, output)
      low, high = pick([[-40.0, 40.0], [-30.0, 45.0], [-25.0, 60.0], [-20.0, 50.0]])
      shared = {
        ambient_low_c: low,
        ambient_high_c: high,
        connector: pick(%w[leads leads plug]),
        flammable_ok: @random.rand < 0.4
      }
      case family
      when "psc"
        shared.merge(capacitor_uf: [2.5, 3.0, 4.0, 5.0, 6.0, 7.5, 10.0].min_by { |one| (one - output / 24.0).abs })
      when "ec"
        shared.merge(control: pick(%w[program program none 0_10v pwm]))
      when "three_phase"
        shared.merge(
          horsepower: (output / 745.7).round(3),
          service_factor: pick([1.0, 1.15]),
          connector: "terminals",
          flammable_ok: false
        )
      when "split_phase"
        shared.merge(horsepower: (output / 745.7).round(3), service_factor: pick([1.0, 1.35]))
      else
        shared
      end
    end
  end
end
