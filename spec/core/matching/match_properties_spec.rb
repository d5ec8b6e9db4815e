# frozen_string_literal: true

require "csv"
require "tempfile"
require_relative "../../../db/demo/motor_maker"

# What must hold of any catalogue: a made one, asked about its own motors.
RSpec.describe Fenbo::Matching::Match, :slow do
  motors =
    Demo::MotorMaker
      .new(seed: 7)
      .rows
      .first(260)
      .map { |row| row.transform_keys(&:to_s).merge("rotation_view" => "shaft_end") }
  olds = motors.sample(12, random: Random.new(3))
  place = ->(old) do
    {
      "volts" => old["volts"].last,
      "phases" => old["phases"],
      "hertz" => (old["hertz"] || [50]).first,
      "ambient_c" => [0, 15],
      "wet" => false
    }
  end
  define_method(:ask) do |old, list = motors, **more|
    described_class.call(
      {"old" => old, "site" => place[old], "motors" => list}.merge(more.transform_keys(&:to_s))
    ).to_h
  end
  turned = ->(motor) do
    if %w[cw ccw].include?(motor["rotation"])
      motor.merge("rotation" => {"cw" => "ccw", "ccw" => "cw"}[motor["rotation"]], "rotation_view" => "lead_end")
    else
      motor
    end
  end

  it "takes a motor for itself as a drop-in, wherever it stands in the list" do
    olds
      .reject { |old| old["discontinued"] || old["kit_contents"] }
      .each do |old|
        expect(ask(old)[:candidates].find { |one| one[:part_no] == old["part_no"] }).to include(
          grade: "drop_in",
          extra_minutes: 0
        )
      end
  end

  it "judges each motor by itself: neither the order of rows nor the company they keep matters" do
    olds
      .first(5)
      .each do |old|
        whole = ask(old)
        expect(ask(old, motors.shuffle(random: Random.new(1)))).to eq whole
        half = motors.each_slice(2).map(&:first)
        kept = half.map { |one| one["part_no"] }
        expect(ask(old, half)[:candidates]).to eq(whole[:candidates].select { |one| kept.include?(one[:part_no]) })
      end
  end

  it "sees the same in either view, and the same again when the view is turned twice" do
    olds
      .first(5)
      .each do |old|
        judged = ->(one, list) { ask(one, list).slice(:verdict, :candidates, :rejected) }
        straight = judged[old, motors]
        expect(judged[turned[old], motors.map(&turned)]).to eq straight
        expect(judged[old, motors.map(&turned)]).to eq straight
      end
  end

  it "grades by its own lines: all pass, some adapt, or named failures, and every motor once" do
    olds.each do |old|
      result = ask(old)
      results = ->(one) { one[:checks].map { |line| line[:result] } }
      result[:candidates].each do |one|
        expect(results[one]).not_to include "fail"
        expect(results[one].include?("adapt")).to be(one[:grade] == "fits_with_work") unless one[:grade] == "conversion"
      end
      expect(result[:rejected].map { |one| results[one].uniq }.uniq).to eq([["fail"]]).or eq []
      expect((result[:candidates] + result[:rejected]).map { |one| one[:part_no] }.sort).to eq motors
        .map { |one| one["part_no"] }
        .sort
      expect(result[:candidates].map { |one| described_class::GRADES.index(one[:grade]) }).to eq(
        result[:candidates].map { |one| described_class::GRADES.index(one[:grade]) }.sort
      )
    end
  end

  it "reads the same catalogue from CSV and from JSON" do
    sheet = Fenbo::Matching::Sheet.of("motors")
    file = Tempfile.new(%w[made .csv])
    file.write(
      CSV.generate { |out| [sheet.columns.keys, *motors.map { |row| sheet.write(row) }].each { |row| out << row } }
    )
    file.close
    olds
      .first(4)
      .each do |old|
        expect(described_class.call({"old" => old, "site" => place[old], "catalog" => file.path}).to_h).to eq ask(old)
      end
  end

  it "is not moved by more context that has no bearing, and only ever stricter in a harder place" do
    olds
      .first(4)
      .each do |old|
        taken = ->(**more) { ask(old, **more)[:candidates].map { |one| one[:part_no] } }
        plain = taken[]
        expect(taken[weather: "fog", blade: {"diameter_mm" => 254}]).to eq plain
        [{"wet" => true}, {"flammable" => true}, {"ambient_c" => [-40, 60]}].each do |harder|
          expect(taken[site: place[old].merge(harder)] - plain).to eq []
        end
      end
  end
end
