# frozen_string_literal: true

RSpec.describe Fenbo::Product::Clock do
  def clock(**given)
    described_class.call({"now_c" => 4.0, "end_c" => 24, "limit_c" => 8}.merge(given.transform_keys(&:to_s)))
  end

  it "answers the contract's example" do
    # tau = 2 ÷ ln(21/20) = 40.99; t = −tau·ln(16/20) = 9.15
    result = clock(earlier: {"c" => 3.0, "hours_ago" => 2}, family: "walk_in_cooler")
    expect(result.to_h.values_at(:verdict, :tau_from, :tau_hours, :hours_to_limit)).to eq [
      "hours",
      "readings",
      40.99,
      9.15
    ]
  end

  it "waits where the box never gets there, and is past where it is there" do
    expect(clock(end_c: 7, tau_hours: 10).to_h.values_at(:verdict, :hours_to_limit)).to eq ["waits", nil]
    expect(clock(now_c: 9, tau_hours: 10).to_h.values_at(:verdict, :hours_to_limit)).to eq ["past", 0.0]
  end

  it "falls back on the family where two readings do not drift, and says so" do
    result = clock(earlier: {"c" => 5.0, "hours_ago" => 2}, family: "walk_in_cooler")
    expect(result.to_h.values_at(:tau_from, :tau_hours)).to eq ["family", 14.0]
    expect(clock(earlier: {"c" => 5.0, "hours_ago" => 2}).faults.map(&:field)).to eq ["earlier.c"]
    expect(clock.faults.map(&:field)).to eq ["tau_hours"]
  end

  it "says the soonest and the latest it may be, wider where less is known" do
    soon, late = clock(tau_hours: 10).to_h[:hours_between]
    # 0.5 K beside 4 °C: −10·ln(16/19.5) and −10·ln(16/20.5)
    expect([soon, late]).to eq [1.98, 2.48]
    family = clock(family: "walk_in_cooler").to_h[:hours_between]
    expect(family).to eq [(0.7 * 14 * Math.log(19.5 / 16)).round(2), (1.3 * 14 * Math.log(20.5 / 16)).round(2)]
    # 1 K in two hours, each half a kelvin unsure: it may as well hardly drift.
    loose, = clock(earlier: {"c" => 3.0, "hours_ago" => 2}).to_h[:hours_between]
    near = clock(earlier: {"c" => 3.6, "hours_ago" => 2}).to_h[:hours_between]
    expect(loose).to be < 9.15
    expect(near.last).to be_nil
    expect(clock(now_c: 9, tau_hours: 10).to_h[:hours_between]).to be_nil
  end

  it "goes through all readings, one odd one among them" do
    drifting = (1..12).map { |ago| {"hours_ago" => ago / 2.0, "c" => (24 - 20 * Math.exp(ago / 2.0 / 30)).round(2)} }
    expect(clock(readings: drifting).to_h).to include(tau_hours: be_within(0.1).of(30), tau_from: "readings")
    drifting[5]["c"] += 0.4
    expect(clock(readings: drifting).to_h[:tau_hours]).to be_within(2).of(30)
    rising = clock(readings: [{"hours_ago" => 1, "c" => 9}, {"hours_ago" => 2, "c" => 12}])
    expect(rising.faults.map(&:field)).to eq ["readings"]
    expect(clock(readings: [{"hours_ago" => 0, "c" => 9}]).faults.map(&:field)).to eq ["readings.0.hours_ago"]
  end

  it "reaches the limit at the hour it says" do
    tool =
      described_class.new(
        described_class.read(
          Fenbo::Input.new({"now_c" => 4.0, "end_c" => 24, "limit_c" => 8, "tau_hours" => 14}),
          Fenbo::Limits.default
        ),
        Fenbo::Limits.default
      )
    expect(tool.temperature_after(tool.hours)).to be_within(1e-9).of(8)
  end
end
