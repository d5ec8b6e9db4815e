# frozen_string_literal: true

require_relative "app_spec_helper"
require "nokogiri"

RSpec.describe "the drawings", :rolled_back do
  def parsed(svg) = Nokogiri.XML(svg, &:strict)

  def count(svg, css)
    parsed(svg).xpath("//*[contains(concat(' ', @class, ' '), ' #{css} ')]").size
  end

  def finding(unit, test, outcome, number = 1)
    Fenbo::JobFile::Finding.new(
      id: SecureRandom.uuid,
      fan: number && unit.fan_positions[number - 1].key,
      test:,
      outcome:,
      by: Fenbo::JobFile::Person.new(uid: "-", name: "Somebody", role: "technician"),
      taken_at: Time.now
    )
  end

  it "draws each family's plate with its fans, well formed, in words too, and without colours of its own" do
    others =
      (Fenbo::Knowledge.table("families").keys - Unit.distinct.pluck(:family)).map do |family|
        create(:unit, family:, fans: 1)
      end
    (Unit.includes(:fan_positions).to_a + others).each do |unit|
      svg = Shared::Cutaway::Plate.of(unit).svg
      expect(count(svg, "plate-ring")).to eq unit.fan_positions.size
      expect(parsed(svg).root["aria-label"]).to include "#{unit.fan_positions.size} fan"
      expect(svg).not_to match(/style=|#\h{6}|fill="(?!url)/)
    end
  end

  it "draws one to twelve fans inside the plate" do
    (1..12).each do |fans|
      unit = create(:unit, fans:)
      centres =
        parsed(Shared::Cutaway::Plate.of(unit).svg)
          .xpath("//circle[@class='plate-ring']")
          .map { |ring| [ring["cx"].to_f, ring["r"].to_f] }
      expect(centres.map { |x, r| x - r }.min).to be >= 0
      expect(centres.map { |x, r| x + r }.max).to be <= Shared::Cutaway::Plate::WIDTH
      expect(centres.each_cons(2).map { |(a, ra), (b, rb)| b - a - ra - rb }.min || 1).to be > 0
    end
  end

  it "shows what was found and nothing that was not" do
    unit = create(:unit)
    bare = Shared::Cutaway::Plate.of(unit).svg
    expect([count(bare, "frost"), count(bare, "ice-bead"), count(bare, "arrow-run"), count(bare, "line-water")]).to eq [
      0,
      0,
      0,
      0
    ]
    findings = [
      finding(unit, "fan_motion", "normal"),
      finding(unit, "fan_motion", "stopped", 2),
      finding(unit, "frost_pattern", "fan_ring_ice", 2),
      finding(unit, "water_present", "yes", nil)
    ]
    svg = Shared::Cutaway::Plate.of(unit, findings:, hand: unit.fan_positions[1]).svg
    expect(
      [count(svg, "arrow-run"), count(svg, "blade-still"), count(svg, "ring-hand"), count(svg, "line-water")]
    ).to eq [2, Shared::Cutaway::Fan::BLADES, 1, 1]
    expect(count(svg, "ice-bead")).to be_positive
    expect(parsed(svg).root["aria-label"]).to include("fan 1 runs").and include("fan 2 stands still, ring ice")
    air = [finding(unit, "fan_motion", "normal"), finding(unit, "airflow", "none"),
      finding(unit, "blade_state", "sound")]
    expect(parsed(Shared::Cutaway::Plate.of(unit, findings: air).svg).root["aria-label"])
      .to include "fan 1 runs, no air, blade sound"
    voided = findings.map { |finding| finding.with(voided_at: Time.now) }
    expect(Shared::Cutaway::Plate.of(unit, findings: voided).svg).to eq bare
  end

  it "tells by its frost, water and air what was found of each, and no two alike" do
    unit = create(:unit, family: "household_top_freezer", fans: 1)
    seen = ->(test, outcome, number = 1) do
      Shared::Cutaway::Plate.of(unit,
        findings: [finding(unit, "fan_motion", "normal"), finding(unit, test, outcome, number)]).svg
    end
    ice = %w[even_light even_blocked behind_one_fan fan_ring_ice feed_end_only near_door bottom_ice]
      .to_h { |pattern| [pattern, seen["frost_pattern", pattern]] }
    expect(ice.reject { |_, svg| count(svg, "frost").positive? || count(svg, "ice-bead").positive? }.keys).to eq []
    expect(ice.values.uniq.size).to be >= ice.size - 1
    width = ->(svg) { parsed(svg).xpath("//rect[contains(@class, 'frost')]").map { |rect| rect["width"].to_f }.max }
    expect(width[ice["feed_end_only"]]).to be < width[ice["even_blocked"]]
    expect(count(seen["drain_check", "blocked", nil], "line-water")).to eq 1
    air = {"blocked" => %w[airflow none], "back" => %w[fan_motion reversed], "still" => %w[fan_motion stopped]}
      .transform_values { |test, outcome| seen[test, outcome] }
    expect(air.keys.select { |css| count(air[css], "air-#{css}").zero? }).to eq []
    expect(count(Shared::Cutaway::Plate.of(unit).svg, "air-unknown")).to be_positive
    expect(count(seen["load_blocking_air", "yes", nil], "air-blocked")).to be_positive
  end

  it "hatches a condenser's face that is dirty" do
    unit = create(:unit, family: "remote_condenser", fans: 0)
    create(:fan_position, unit:, side: "condenser", number: 1)
    faces = %w[clean dirty blocked].to_h do |face|
      [face,
        count(Shared::Cutaway::Plate.of(unit.reload, findings: [finding(unit, "condenser_face", face, nil)]).svg,
          "frost")]
    end
    expect(faces).to match("clean" => 0, "dirty" => be_positive, "blocked" => be_positive)
  end

  it "leads from a fan to its page by a safe attribute" do
    svg = Shared::Cutaway::Plate.of(create(:unit), links: ->(one) { %(/x?"><script>#{one.key}) }).svg
    expect(svg).not_to include "<script>"
    expect(parsed(svg).xpath("//circle[@data-href]").size).to eq 2
  end

  it "puts a reading where it belongs on the scale and hatches a bad one" do
    over = answer("amps", legs: [{amps: 0.5, error: 0.1, verdict: "over"}], window: {low: 0.3, high: 0.4})
    scale = parsed(Shared::Drawing::AmpsScale.new(legs: over.legs, window: over.window, top: 1.0, label: "x").svg)
    expect(scale.xpath("//line[@class='needle-bad']").first["x1"].to_f).to eq 300
    window = scale.xpath("//rect[@class='scale-window']").first
    expect([window["x"], window["width"]].map { |one| one.to_f.round }).to eq [180, 60]
    error = scale.xpath("//rect[@class='scale-error-bad']").first
    expect([error["x"], error["width"]].map { |one| one.to_f.round }).to eq [240, 120]
    expect(Shared::Drawing::AmpsScale.top_for([])).to eq 1.0
  end

  it "turns the gauge's needle with the reading and wraps the conductor as often as it was" do
    at = ->(amps) do
      legs = [{amps:, error: 0.0, verdict: "within"}]
      result = answer("amps", legs:, window: {low: 0.3, high: 0.44}, verdict: "within")
      svg = Shared::Drawing::AmpsDial.new(result:, turns: 3).svg
      expect(count(svg, "conductor")).to eq 3
      needle = parsed(svg).xpath("//line[@class='dial-needle']").first
      needle["x2"].to_f - needle["x1"].to_f
    end
    swing = [0.0, 0.2, 0.4, 0.6].map { |amps| at[amps] }
    expect(swing).to eq swing.sort
    expect(Shared::Drawing::AmpsDial.new.svg).to include "Gauge without a reading"
  end

  it "gives the next twelve hours more than half of the day line, without a break" do
    places = (0..72).map { |hours| Day::Line.x(hours.to_f) }
    expect(places).to eq places.sort
    expect(places[12]).to be > Day::Line::WIDTH / 2
    expect([places.last.round, Day::Line.x(73)]).to eq [Day::Line::WIDTH, nil]
  end

  it "draws a trend against its window, the last reading largest" do
    points =
      [0.4, 0.42, 0.6].each_with_index.map do |amps, year|
        Units::History::Point.new(at: Time.utc(2028 + year, 3), amps:, verdict: (amps > 0.5) ? "over" : "within")
      end
    svg = parsed(Units::Trend.new(points:, window: {"low" => 0.32, "high" => 0.47}, label: "x").svg)
    rings = svg.xpath("//circle").map { |ring| [ring["class"], ring["r"].to_f, ring["cy"].to_f] }
    expect(rings.map(&:first)).to eq %w[trend-dot trend-dot trend-bad]
    expect(rings.last[1]).to be > rings.first[1]
    expect(rings.map(&:last)).to eq rings.map(&:last).sort.reverse
  end
end
