# frozen_string_literal: true

RSpec.describe Fenbo::Electrical::Windings do
  def windings(kind, ohms, **given)
    described_class.call({"kind" => kind, "ohms" => ohms.transform_keys(&:to_s), **given.transform_keys(&:to_s)})
  end

  def three(ab, bc, ca, **given)
    windings("three_phase", {ab:, bc:, ca:}, **given)
  end

  it "answers the contract's example" do
    result = three(5.1, 5.0, nil, open: ["ca"], ground_megohms: 550, winding_celsius: 35, running_hot: false)
    expect(result.to_h.values_at(:verdict, :spread_percent, :insulation)).to eq ["open_winding", 2.0, "good"]
    expect(result[:ohms_at_20c]["ab"]).to eq 4.82 # 5.1 ÷ (1 + 0.00393 × 15)
  end

  it "reads a three-phase motor by the pattern of its pairs" do
    expect(three(10, 10.5, 10.2).verdict).to eq "sound"
    expect(three(10, 10.51, 10.2).verdict).to eq "watch"
    expect(three(10, 10.8, 11.6).verdict).to eq "unbalanced"
    expect(three(5.0, 8.0, 8.1).verdict).to eq "shorted_turns"
    expect(three(8.0, 16.1, 8.1).to_h.values_at(:verdict, :faulty_pairs)).to eq ["open_winding", ["bc"]]
    expect(three(5.1, nil, nil, open: %w[bc ca]).reasons.map(&:text).join).to include "at C is open"
    expect(three(nil, nil, nil, open: %w[ab bc ca]).verdict).to eq "open_protector"
    expect(three(5.1, nil, 5.0).verdict).to eq "incomplete"
    expect(three(5.1, nil, nil, open: ["ca"]).verdict).to eq "open_winding"
    expect(three(0, 5.1, 5.0).verdict).to eq "shorted_turns"
  end

  it "reads a PSC motor as run and start in a row" do
    psc = ->(cr, cs, rs, open = []) { windings("psc", {cr:, cs:, rs:}, open:).verdict }
    expect(psc[10, 30, 40]).to eq "sound"
    expect(psc[10, 30, 42]).to eq "sound"
    expect(psc[10, 30, 42.1]).to eq "unbalanced"
    expect(psc[30, 10, 40]).to eq "watch"
    expect(psc[nil, nil, 40, %w[cr cs]]).to eq "open_protector"
    expect(psc[nil, 30, nil, %w[cr rs]]).to eq "open_winding"
    expect(psc[10, 30, nil]).to eq "incomplete"
  end

  it "lets ground win over all else, and a doubtful insulation spoil a sound winding" do
    expect(three(nil, nil, nil, open: %w[ab bc ca], ground_megohms: 0.99).verdict).to eq "grounded"
    expect(
      [1, 4.99, 5].map { |megohms| windings("shaded_pole", {ab: 20}, ground_megohms: megohms).verdict }
    ).to eq %w[watch watch sound]
    expect(windings("shaded_pole", {ab: nil}, open: ["ab"]).verdict).to eq "open_winding"
  end

  it "asks to let a hot motor cool before it is condemned" do
    hot = windings("shaded_pole", {ab: nil}, open: ["ab"], running_hot: true)
    expect(hot.reasons.map(&:rule)).to include "winding.cool_first"
  end

  it "does not mind which pair is called which" do
    random = Random.new(3)
    100.times do
      ohms = Array.new(3) { random.rand(4.0..12.0) }
      expect(ohms.permutation.map { |one| three(*one).verdict }.uniq.size).to eq 1
    end
  end

  it "names every wrong field at once" do
    refusal = windings("three_phase", {ab: -1, bc: 2}, open: %w[bc xy], ground_megohms: "lots")
    expect(refusal.faults.map(&:field)).to contain_exactly("ohms.ab", "open.0", "open.1", "ground_megohms")
  end
end
