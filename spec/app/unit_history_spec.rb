# frozen_string_literal: true

require_relative "app_spec_helper"

# What a unit's page says of its fans: over the years, and as the last job left them.
RSpec.describe Units, :rolled_back do
  let(:unit) { create(:unit, fans: 2) }
  let(:position) { unit.fan_positions.first }
  let(:user) { create(:user) }

  def keep(years_ago, amps, verdict = "within", phase: "before")
    Reading.create!(job: create(:job, unit:), user:, fan_position: position, kind: "amps", verdict:, phase:,
      client_id: SecureRandom.uuid, taken_at: Time.now - years_ago * 31_557_600, question: {},
      result: {"legs" => [{"amps" => amps}], "window" => {"low" => 0.3, "high" => 0.5}})
  end

  describe Units::History do
    subject(:history) { described_class.new(unit.reload, limits: Fenbo::Limits.default) }

    def exchange(on)
      position.fitted_motors.each { |motor| motor.update!(removed_on: on) }
      create(:fitted_motor, fan_position: position, installed_on: on)
      position.reload
    end

    before do
      position.fitted_motors.each { |motor| motor.update!(installed_on: Date.today - 2000) }
      [[2, 0.40], [1, 0.44], [0.1, 0.476]].each { |row| keep(*row) }
    end

    it "finds a creeping rise and leaves out what only a stalled motor drew" do
      keep(0, 2.0, "locked")
      expect(history.trend(position)).to have_attributes(
        verdict: "rising",
        share_per_year: be_within(0.005).of(0.10),
        watch: true
      )
      expect(history.points(position).size).to eq 4
      expect(history.exchanges(position)).to eq []
    end

    it "holds nothing the old motor drew against the new one, not even on the day it came" do
      exchange(Date.today)
      keep(0, 0.48)
      keep(0, 0.4, phase: "after")
      expect(history.trend(position).verdict).to eq "too_early"
      drawn = Units::Trend.new(points: history.points(position), window: nil, label: "x",
        exchanges: history.exchanges(position)).svg
      expect(drawn).to include("new motor")
      expect(drawn.scan("trend-line").size).to eq 1
    end
  end

  describe Units::Latest do
    let(:job) { create(:job, unit:) }

    def found(fan, test, outcome)
      Finding.create!(job:, user:, fan_position: fan, test:, outcome:, client_id: SecureRandom.uuid, taken_at: Time.now)
    end

    def said
      described_class.new(unit, job.reload).told.map { |one| [one.fan, one.told] }
    end

    before do
      found(position, "fan_motion", "stopped")
      found(unit.fan_positions.last, "fan_motion", "normal")
      found(nil, "water_present", "yes")
      Decision.create!(job:, user:, fan_position: position, fault: "#{position.key}.1", causes: ["capacitor_weak"],
        proposed: "capacitor_weak", action: "repair", client_id: SecureRandom.uuid, taken_at: Time.now, standing: {})
    end

    it "shows an open job as it was found" do
      expect(said.map(&:first)).to eq [nil, unit.fan_positions.last.key, position.key]
    end

    it "shows a closed one as it was left: what was worked on by what was done about it" do
      job.update!(status: "closed")
      expect(said).to eq [[position.key, "capacitor weak: repaired"], [unit.fan_positions.last.key, "runs"]]
      expect(Shared::Route.new!.plate(unit, findings: described_class.new(unit, job).findings)).to include "fan 2 runs"
    end
  end
end
