# frozen_string_literal: true

RSpec.describe Fenbo::Electrical::Phases do
  def phases(**given) = described_class.call(given.transform_keys(&:to_s))

  it "answers the contract's example" do
    # mean 458.33, largest deviation 3.67; mean 4.2333, largest deviation 0.3667
    result = phases(volts: [462, 458, 455], amps: [4.1, 4.0, 4.6], rolled_amps: nil)
    expect(result.verdict).to eq "watch"
    expect(result[:volts]).to include(mean: 458.33, unbalance_percent: 0.8, verdict: "good", derate: 1.0)
    expect(result[:amps]).to include(mean: 4.23, unbalance_percent: 8.66, verdict: "watch")
    expect(result.figures.values_at(:lost_leg, :high_leg_follows)).to eq [nil, nil]
  end

  it "grades the volts at their limits and derates between the rows of its table" do
    # [100 + u, 100 − u/2, 100 − u/2] has a mean of 100 and u percent unbalance.
    at = ->(percent) { phases(volts: [100 + percent, 100 - percent / 2.0, 100 - percent / 2.0]) }
    expect([1, 1.01, 2, 2.01, 5, 5.01].map { |percent| at[percent].verdict }).to eq %w[
      good watch watch correct correct stop
    ]
    expect([2, 2.5, 3, 5, 6].map { |percent| at[percent][:volts][:derate] }).to eq [0.95, 0.915, 0.88, 0.75, nil]
    expect(at[3][:volts][:extra_rise_percent]).to eq 18.0
  end

  it "counts a fault of the amps as a thing to correct, and a lost leg as a stop" do
    expect(phases(amps: [4, 4, 5.2]).to_h.values_at(:verdict, :lost_leg)).to eq ["correct", nil]
    expect(phases(amps: [7.1, 0.0, 7.0]).to_h.values_at(:verdict, :lost_leg)).to eq %w[stop b]
    expect(phases(volts: [230, 231, 461]).to_h.values_at(:verdict, :lost_leg)).to eq %w[stop b]
    expect(phases(volts: [460, 461, 459], amps: [0, 0, 0]).reasons.map(&:rule)).to include "phases.no_current"
  end

  it "calls a dead supply dead, never unbalanced, and stops no motor for it" do
    [{volts: [0, 0, 0]}, {volts: [3, 12, 9], amps: [0, 0, 0.02]}, {amps: [0, 0, 0]}].each do |given|
      result = phases(**given)
      expect(result.verdict).to eq "no_supply"
      expect(result.reasons.map(&:text).join).to match(/not called.*no supply/)
      expect(result[:lost_leg]).to be_nil
    end
    expect(phases(volts: [26, 26, 26]).verdict).to eq "good"
  end

  it "judges each leg by the plate, as the clamp does" do
    load = ->(amps, **more) { phases(amps:, nameplate_amps: 1.8, **more) }
    expect(load[[1.6, 1.6, 1.6]]).to have_attributes(verdict: "good")
    over = load[[2.3, 2.3, 2.3], service_factor: 1.15]
    expect([over.verdict, over[:amps][:load], over[:amps][:verdict]]).to eq %w[correct over good]
    expect(over.reasons).to include(have_attributes(rule: "service_factor", limit: 1.15))
    expect(load[[2.0, 2.0, 2.0], service_factor: 1.15][:amps][:load]).to eq "within"
    expect(load[[2.0, 2.0, 2.0]][:amps][:load]).to eq "over"
    under = load[[1.0, 1.0, 1.0]]
    expect([under.verdict, under[:amps][:load]]).to eq %w[good under]
    expect(under.reasons).to include(have_attributes(rule: "amps.window_low"))
    expect(load[[1.97, 1.97, 1.97], meter: {"percent" => 2}][:amps][:load]).to eq "cannot_tell"
    expect(phases(amps: [1, 1, 1])[:amps][:load]).to be_nil
  end

  it "names the limit that was crossed" do
    rules = ->(**given) { phases(**given).reasons.map(&:rule) }
    expect(rules[volts: [101.5, 99.25, 99.25]]).to include "balance.volts_good"
    expect(rules[volts: [103, 98.5, 98.5]]).to include "balance.volts_watch"
    expect(rules[amps: [4.1, 4.0, 4.6]]).to include "balance.amps_good"
    expect(rules[amps: [4, 4, 5.2]]).to include "balance.amps_watch"
  end

  it "tells supply from motor by rolling the leads" do
    rolled = ->(amps) { phases(amps: [4.0, 4.1, 4.9], rolled_amps: amps)[:high_leg_follows] }
    expect([[4.1, 4.0, 4.9], [4.9, 4.0, 4.1], [4.0, 4.9, 4.1], [4.1, 4.1, 4.1]].map(&rolled)).to eq %w[
      supply motor unclear unclear
    ]
  end

  it "names every wrong field at once" do
    expect(phases(volts: [1, 2], amps: [1, -2, "x"]).faults.map(&:field)).to contain_exactly(
      "volts",
      "amps.1",
      "amps.2"
    )
    expect(phases(rolled_amps: [1, 1, 1]).faults.map(&:field)).to contain_exactly("volts", "amps")
  end
end
