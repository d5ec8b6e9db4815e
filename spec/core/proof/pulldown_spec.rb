# frozen_string_literal: true

RSpec.describe Fenbo::Proof::Pulldown do
  def pulldown(readings, setpoint: 2)
    described_class.call(
      {"setpoint_c" => setpoint, "readings" => readings.map { |minute, c| {"minute" => minute, "c" => c} }}
    )
  end

  # T(t) = T∞ + (T0 − T∞)·e^(−t/τ)
  def curve(settles, tau, start: 12.0, every: 6, count: 8)
    Array.new(count) { |i| [i * every, settles + (start - settles) * Math.exp(-i * every / tau)] }
  end

  it "finds the curve it was given, and the minute it arrives" do
    result = pulldown(curve(1.0, 30.0))
    expect(result.verdict).to eq "on_course"
    expect(result[:settles_c]).to be_within(0.02).of(1.0)
    expect(result[:tau_minutes]).to be_within(0.2).of(30.0)
    expect(result[:arrives_minute]).to be_within(0.3).of(30 * Math.log(11 / 2.0)) # 1 + 11·e^(−t/30) = 3
    expect(result[:rmse_c]).to be < 0.01
  end

  it "sees a box that will not get there" do
    expect(pulldown(curve(4.5, 25.0)).verdict).to eq "stalls_above"
    expect(pulldown(curve(2.98, 25.0)).verdict).to eq "on_course"
  end

  it "keeps its verdict under a logger's noise" do
    random = Random.new(5)
    20.times do
      noisy = ->(row) { row.map { |minute, c| [minute, c + random.rand(-0.1..0.1)] } }
      expect(pulldown(noisy[curve(-2.0, 30.0, count: 12)]).verdict).to eq "on_course"
      expect(pulldown(noisy[curve(6.0, 20.0, count: 12)]).verdict).to eq "stalls_above"
    end
  end

  it "says when it is too early, and when the box rises" do
    expect(pulldown([[0, 12], [10, 10], [20, 8]]).verdict).to eq "too_early"
    expect(pulldown([[0, 12], [4, 11], [8, 10], [12, 9]]).verdict).to eq "too_early"
    expect(pulldown([[0, 12], [10, 11.9], [20, 11.6], [30, 11.2]]).to_h.values_at(:verdict, :tau_minutes)).to eq [
      "too_early",
      nil
    ]
    expect(pulldown([[0, 5], [10, 5.2], [20, 5.4], [30, 5.6]]).verdict).to eq "rising"
    expect(pulldown([[0, 12], [10, 8], [20, 7], [30, 8.5]]).verdict).to eq "rising"
    expect(pulldown([]).verdict).to eq "too_early"
  end

  it "names every wrong field at once" do
    refusal = described_class.call({"readings" => [{"minute" => 5, "c" => 3}, {"minute" => 5, "c" => "cold"}, 7]})
    expect(refusal.faults.map(&:field)).to include("setpoint_c", "readings.1.minute", "readings.1.c", "readings.2")
  end
end
