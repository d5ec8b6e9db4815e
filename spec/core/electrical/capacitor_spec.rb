# frozen_string_literal: true

RSpec.describe Fenbo::Electrical::Capacitor do
  def capacitor(**given) = described_class.call(given.transform_keys(&:to_s))

  it "answers the contract's example and judges at the limits" do
    result = capacitor(rated_uf: 25, tolerance_percent: 6, range_uf: nil, measured_uf: 22.8)
    expect(result.to_h.values_at(:verdict, :low_uf, :high_uf, :measured_uf)).to eq ["weak", 23.5, 26.5, 22.8]
    expect(
      [1.24, 1.25, 23.49, 23.5, 26.5, 26.51].map { |uf| capacitor(rated_uf: 25, measured_uf: uf).verdict }
    ).to eq %w[open weak weak within within high]
    expect(capacitor(rated_uf: 25, tolerance_percent: 10, measured_uf: 22.8).verdict).to eq "within"
  end

  it "measures under load as the trade's constants say" do
    # 60 Hz: 2653 · I ÷ V; 50 Hz: 3183 · I ÷ V
    expect(
      capacitor(rated_uf: 15, under_load: {"amps" => 2.1, "volts" => 370, "hertz" => 60})[:measured_uf]
    ).to be_within(0.01).of(2653 * 2.1 / 370)
    expect(
      capacitor(rated_uf: 18, under_load: {"amps" => 2.1, "volts" => 370, "hertz" => 50})[:measured_uf]
    ).to be_within(0.01).of(3183 * 2.1 / 370)
  end

  it "judges a start capacitor by its range" do
    expect([87, 88, 108, 109, 4].map { |uf| capacitor(range_uf: [88, 108], measured_uf: uf).verdict }).to eq %w[
      weak within within high open
    ]
  end

  it "names every wrong field at once" do
    expect(capacitor(rated_uf: 0, measured_uf: -1, range_uf: [9, 3]).faults.map(&:field)).to contain_exactly(
      "rated_uf",
      "measured_uf",
      "range_uf"
    )
    expect(capacitor(rated_uf: 5, under_load: {"amps" => 1}).faults.map(&:field)).to contain_exactly(
      "under_load.volts",
      "under_load.hertz"
    )
    expect(capacitor(rated_uf: 5).faults.map(&:field)).to eq ["measured_uf"]
  end
end
