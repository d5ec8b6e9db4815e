# frozen_string_literal: true

RSpec.describe Fenbo::Matching::BladeChoice do
  old = {
    "part_no" => "OLD",
    "diameter_mm" => 254,
    "blade_count" => 5,
    "pitch_deg" => 28,
    "hub" => "set_screw",
    "bore_mm" => 6.35,
    "rotation" => "cw",
    "air" => "away_from_motor"
  }
  motor = {
    "rotation" => "cw",
    "shaft_diameter_mm" => 6.35,
    "rpm" => 1300,
    "old_rpm" => 1300,
    "output_w" => 10,
    "needed_w" => 10
  }

  define_method(:choose) do |blades, **more|
    described_class.call(
      {"old" => old, "motor" => motor, "orifice_mm" => 264, "blades" => blades}.merge(more.transform_keys(&:to_s))
    )
  end
  define_method(:line) do |check, change, **more|
    choose([old.merge("part_no" => "NEW").merge(change)], **more).then do |result|
      (result[:candidates].first || result[:rejected].first)[:checks]
        .find { |one| one[:check] == check }
        &.fetch(:result)
    end
  end

  it "holds the diameter to −2 and +0 % and the tips to 3 to 8 mm, both ends included" do
    expect(
      [254, 248.92, 248.9, 254.1].map { |mm| line("diameter", {"diameter_mm" => mm}, orifice_mm: nil) }
    ).to eq %w[pass pass fail fail]
    expect([260, 259.9, 270, 270.1].map { |mm| line("gap", {}, orifice_mm: mm) || "pass" }).to eq %w[
      pass fail pass fail
    ]
  end

  it "turns both into the motor's view: air towards the motor is read from behind" do
    expect(line("rotation", {"rotation" => "ccw"})).to eq "fail"
    behind =
      described_class.call(
        {
          "old" => old.merge("air" => nil),
          "motor" => motor,
          "blades" => [old.merge("part_no" => "NEW", "rotation" => "ccw", "air" => "towards_motor")]
        }
      )
    expect(behind[:candidates].map { |one| one[:part_no] }).to eq ["NEW"]
    expect(line("rotation", {}, motor: motor.merge("rotation" => "reversible"))).to eq "pass"
    expect(line("air", {"rotation" => "ccw", "air" => "towards_motor"})).to eq "fail"
  end

  it "wants bore and hub alike, a bushing in a wider bore, and the motor's watts for the pitch" do
    expect([6.4, 8.0, 6.0].map { |mm| line("bore", {"bore_mm" => mm}) || "pass" }).to eq %w[pass adapt fail]
    expect(line("hub", {"hub" => "push_on"})).to eq "fail"
    expect([28, 29, 30, 31].map { |pitch| line("load", {"pitch_deg" => pitch}) || "pass" }).to eq %w[
      pass adapt adapt fail
    ] # 10 × 31 ÷ 28 = 11.07 W
    expect(line("load", {"pitch_deg" => 28}, motor: motor.merge("rpm" => 1400))).to eq "fail" # × 1.077³
  end

  it "takes what was seen of the old one for what it means: dust is cleaned off, a crack or a slipping hub is damage" do
    reuse = Fenbo::Matching::Reuse
    expect(reuse.looks.keys).to eq %w[blade_state hub_grip blade_cleanliness]
    expect(
      [
        %w[blade_state sound],
        %w[blade_state iced],
        %w[hub_grip slips],
        %w[blade_cleanliness caked],
        %w[blade_cleanliness cleaner_than_surroundings]
      ].map { |look| reuse.sound?(*look) }
    ).to eq [true, false, false, false, true]
    expect(reuse.damage("blade_state" => "cracked_or_missing", "hub_grip" => "slips", "noise" => "grinding")).to eq(
      "cracks" => true,
      "hub_worn" => true
    )
    expect(
      choose([], state: reuse.damage("blade_state" => "iced", "blade_cleanliness" => "caked")).verdict
    ).to eq "reuse"
  end

  it "keeps the old one where it is sound, and names what is wrong with it where it is not" do
    expect(choose([old.merge("part_no" => "NEW")]).verdict).to eq "reuse"
    cracked =
      choose(
        [old.merge("part_no" => "B", "price_cents" => 900), old.merge("part_no" => "A", "price_cents" => 800)],
        state: {
          "cracks" => true
        }
      )
    expect(cracked.verdict).to eq "A"
    expect(cracked.reasons.first.text).to include "cracked at a root"
    expect(choose([], motor: motor.merge("rotation" => "ccw")).verdict).to eq "none"
    # A gap outside the usual makes another blade wrong; of the old one it is asked about.
    wide = choose([old.merge("part_no" => "NEW")], orifice_mm: 280)
    expect([wide.verdict, wide[:old].find { |one| one[:check] == "gap" }[:result]]).to eq %w[reuse adapt]
  end
end
