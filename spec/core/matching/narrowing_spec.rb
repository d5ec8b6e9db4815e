# frozen_string_literal: true

require_relative "../../../db/demo/motor_maker"

# What a check says beforehand of columns has to agree with what it then finds of motors.
RSpec.describe Fenbo::Matching::Narrowing do
  checks, limits = Fenbo::Matching::Checks, Fenbo::Limits.default
  rows = Demo::MotorMaker.new(seed: 11).rows.first(900).map { |row|
    row.transform_keys(&:to_s).merge("rotation_view" => "shaft_end")
  }
  rows = rows.sample(220, random: Random.new(5)).each_with_index.map do |row, index|
    row.merge("integral_blade" => (index % 9).zero?, "discontinued" => (index % 13).zero?)
  end
  olds = rows.sample(60, random: Random.new(6)) + rows.last(20)
  accessories = [
    {"kind" => "bushing", "from_mm" => 6.35, "to_mm" => 7.94, "part_no" => "B"},
    {"kind" => "bracket", "mount_from" => rows.first["mount"], "mount_to" => rows.last["mount"], "part_no" => "C"}
  ]

  # Every unknown is tried too: now and then a column is left out, volts only with the amps
  # that belong to them.
  kept = %w[family part_no rotation_view]
  sparse = lambda do |row, random|
    left = row.select { |name, _| kept.include?(name) || random.rand >= 0.12 }
    left.key?("volts") ? left : left.except("amps")
  end
  question = lambda do |old, random|
    Fenbo::Matching::Match.read(
      Fenbo::Input.new({
        "old" => old, "motors" => [],
        "site" => {
          "volts" => (old["volts"] || [230]).sample(random:), "phases" => old["phases"] || 1,
          "hertz" => [50, 60].sample(random:), "ambient_c" => [random.rand(-30..0), random.rand(10..45)],
          "wet" => random.rand < 0.4, "flammable" => random.rand < 0.4, "belt" => random.rand < 0.2
        },
        "blade" => {"bore_mm" => old["shaft_diameter_mm"], "rotation" => %w[cw ccw].sample(random:)}.compact,
        "accessories" => (accessories if random.rand < 0.7)
      }), limits
    )
  end

  # The measured place is solved a shaft at a time; a plug can always be spliced; how large a
  # kit's blade is stands in its words.
  silent = [checks::Fit, checks::Connector, checks::Blade]

  checks::ORDER.each do |check|
    it "#{check.id}: holds back only what the check refuses", :slow do
      random = Random.new(17)
      held = 0
      16.times do
        asked = question[sparse[olds.sample(random:), random], random]
        match = Fenbo::Matching::Match.new(asked, limits)
        term = check.new(match.context).narrowing or next
        rows.each do |full|
          row = sparse[full, random]
          motor = Fenbo::Matching::Motor.read(Fenbo::Input.new(row))
          next unless term.of(row.merge("output_w" => motor.output_watts(limits)))
          held += 1
          # Amps are compared as if the voltage suits; where it does not, supply refuses it.
          lines = [check, checks::Supply].map { |one| one.new(match.context(motor)).line.result }
          expect(lines).to include "fail"
        end
      end
      expect(held).to be_positive unless silent.include?(check)
    end
  end

  it "reckons with what is not known as a database does" do
    wide = described_class::Beyond.new(column: "rpm", low: 1000, high: 1600)
    mount = described_class::OneOf.new(column: "mount", values: %w[stud])
    expect(wide.of({})).to be_nil
    expect((wide | mount).of("mount" => "stud")).to be true
    expect((wide & mount).of("mount" => "flange")).to be false
    expect((wide & mount).of("mount" => "stud")).to be_nil
    expect((!wide).of("rpm" => 1600.0 + 1e-12)).to be true
  end
end
