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
