# frozen_string_literal: true

RSpec.describe Fenbo::Electrical::Amps do
  def amps(motor, reading)
    described_class.call({"motor" => motor.transform_keys(&:to_s), "reading" => reading.transform_keys(&:to_s)})
  end

  def verdict(display, motor = {}, reading = {})
    amps(
      {family: "psc", nameplate_amps: 1.2, nameplate_volts: 230, turning: true, **motor},
      {amps: [display].flatten, volts: [230], **reading}
    ).verdict
  end

  meter = {"percent" => 2.0, "counts" => 5, "resolution" => 0.01}

  it "answers the contract's example in its figures" do
    result =
      amps(
        {family: "psc", nameplate_amps: 1.2, nameplate_volts: 230, turning: true},
        {amps: [0.7], volts: [228], turns: 1, meter:}
      )
    expect(result.verdict).to eq "under"
    leg = result[:legs].first
    expect(leg.values_at(:amps, :ratio, :verdict)).to eq [0.7, 0.583, "under"]
    expect(leg[:error]).to be_within(1e-9).of(0.064)
    expect(result[:window]).to eq(low: 0.9, high: 1.32)
    expect(result[:voltage]).to eq(ratio: 0.991, verdict: "in_range")
    expect(result[:voltage_shift]).to eq(expected_amps: 1.21)
    expect(result.reasons.first.to_h).to include(rule: "amps.window_low", limit: 0.9, source: "electrical/window")
  end

  it "counts a reading at a limit as on its better side" do
    expect([0.9, 1.32, 0.06].map { |display| verdict(display) }).to eq %w[within within under]
    expect([0.8999, 1.3201, 0.0599].map { |display| verdict(display) }).to eq %w[under over none]
  end

  it "calls a stalled motor locked only where it does not turn" do
    expect(verdict(2.4, turning: false)).to eq "locked"
    expect(verdict(2.4, turning: true)).to eq "over"
    unsaid = amps({family: "psc", nameplate_amps: 1.2, nameplate_volts: 230}, {amps: [2.5], volts: [230]})
    expect(unsaid.verdict).to eq "locked"
    expect(unsaid.reasons.map(&:rule)).to include "locked.assumed"
    expect(verdict(1.6, turning: false, family: "shaded_pole")).to eq "locked" # 1.33 × nameplate
    expect(verdict(2.9, turning: false, locked_rotor_amps: 3.0)).to eq "over"
  end

  it "cannot tell where the error straddles a limit, and says how many turns would settle it" do
    # 0.39 A on 0.40 A: ±(0.0078 + 0.05 ÷ n) must stay below 0.05 to the upper limit 0.44.
    result = amps({family: "shaded_pole", nameplate_amps: 0.4, turning: true}, {amps: [0.39], meter:})
    expect(result.verdict).to eq "cannot_tell"
    expect(result[:turns_needed]).to eq 2
    settled = amps({family: "shaded_pole", nameplate_amps: 0.4, turning: true}, {amps: [0.78], turns: 2, meter:})
    expect(settled.verdict).to eq "within"
    hopeless = amps({family: "shaded_pole", nameplate_amps: 0.4, turning: true}, {amps: [0.44], meter:})
    expect([hopeless.verdict, hopeless[:turns_needed]]).to eq ["cannot_tell", nil]
    expect(hopeless.reasons.map(&:rule)).to include "meter.finer"
  end

  it "judges every leg, up to the service factor, and takes the worst" do
    motor = {family: "three_phase", nameplate_amps: 4.0, nameplate_volts: 460, service_factor: 1.15, turning: true}
    fine = amps(motor, {amps: [4.5, 4.4, 4.6], volts: [460, 461, 459]})
    expect(fine.verdict).to eq "within"
    expect(fine[:unbalance_percent]).to be_within(0.01).of(2.22)
    expect(amps(motor, {amps: [4.5, 4.4, 4.7], volts: [460]}).verdict).to eq "over"
    expect(amps(motor, {amps: [4.5, 0.0, 4.7], volts: [460]}).verdict).to eq "none"
    expect(verdict(6.0, {family: "split_phase", nameplate_amps: 5.0, service_factor_amps: 6.2})).to eq "within"
  end

  it "judges an EC motor by watts, never by amps" do
    motor = {family: "ec", nameplate_amps: 0.4, nameplate_volts: 230, nameplate_watts: 38}
    expect(amps(motor, {amps: [0.3], volts: [230]}).verdict).to eq "not_by_amps"
    by_factor = amps(motor, {amps: [0.3], volts: [230], power_factor: 0.6})
    expect([by_factor.verdict, by_factor[:watts]]).to eq ["within", 41.4]
    expect([45, 19, 18.9, 1].map { |watts| amps(motor, {amps: [0.3], watts:}).verdict }).to eq %w[
      over within under none
    ]
  end

  it "says of an EC motor what is missing, or that no clamp will settle it" do
    motor = {family: "ec", nameplate_amps: 0.4, nameplate_volts: 230, nameplate_watts: 38}
    rules = ->(plate, **reading) {
      amps(motor.merge(plate), {amps: [0.3], volts: [230], **reading}).reasons.map(&:rule)
    }
    expect(rules.call({})).to include "ec.by_watts", "ec.watts_needed"
    expect(rules.call({nameplate_watts: nil}, watts: 30)).to include "ec.nameplate_watts"
    expect(rules.call({}, watts: 10)).to include "watts.window_low"
    crude = {"percent" => 2, "counts" => 5, "resolution" => 0.1, "true_rms" => false}
    expect(rules.call({}, watts: 30, meter: crude)).to include "meter.true_rms"
    unsure = amps(motor, {amps: [0.3], volts: [230], power_factor: 0.6, meter:})
    expect([unsure.verdict, unsure.reasons.map(&:rule)]).to match ["cannot_tell", include("meter.finer")]
  end

  it "warns when the supply is out of range, and calls it the first fault when absent" do
    low = amps({family: "psc", nameplate_amps: 1.2, nameplate_volts: 230}, {amps: [1.2], volts: [200]})
    expect(low[:voltage][:verdict]).to eq "low"
    expect(low.reasons.map(&:rule)).to include "amps.volts_tolerance"
    dead = amps({family: "psc", nameplate_amps: 1.2, nameplate_volts: 230}, {amps: [0], volts: [0]})
    expect([dead.verdict, dead.reasons.first.rule]).to eq %w[none voltage.absent]
  end

  it "uses the shop's own limits and says so" do
    limits = Fenbo::Limits.default.with("amps.window_low" => 0.5)
    result =
      described_class.call(
        {"motor" => {"family" => "psc", "nameplate_amps" => 1.2}, "reading" => {"amps" => [0.5]}},
        limits:
      )
    expect(result.reasons.find { |reason| reason.rule == "amps.window_low" }.source).to eq "shop"
  end

  it "names the limit that its verdict hangs on" do
    rule = ->(result) { result.reasons.map(&:rule) }
    meter = {"percent" => 2, "counts" => 5, "resolution" => 0.01}
    read = ->(amps, **motor) do
      Fenbo.call(:amps, {"motor" => {"family" => "psc", "nameplate_amps" => 1.2, **motor.transform_keys(&:to_s)},
        "reading" => {"amps" => [amps].flatten, "meter" => meter}})
    end
    expect(rule[read[0.9]]).to include "amps.window_low"
    expect(rule[read[1.3]]).to include "amps.window_high"
    expect(rule[read[1.3]]).not_to include "amps.window_low"
    expect(rule[read[0.05]]).to include "amps.none"
    three = read[[1.3, 1.3, 1.3], family: "three_phase", service_factor: 1.15]
    expect(rule[three]).to include "service_factor"
    expect(three.reasons.find { |one| one.rule == "service_factor" }).to have_attributes(limit: 1.38)
    ec = Fenbo.call(:amps, {"motor" => {"family" => "ec", "nameplate_watts" => 30},
      "reading" => {"amps" => [0.2], "watts" => 0.5}})
    expect([ec.verdict, rule[ec]]).to match ["none", include("amps.none")]
  end

  it "names every wrong field at once" do
    refusal =
      amps(
        {family: "steam", nameplate_amps: 0},
        {amps: [-1, Float::NAN], turns: 1.5, meter: {"percent" => "two"}}
      )
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "motor.family", "motor.nameplate_amps", "reading.amps", "reading.amps.0", "reading.amps.1",
      "reading.turns", "reading.meter.percent"
    )
  end

  it "never gets worse by wrapping more turns at the same true current" do
    random = Random.new(7)
    200.times do
      true_amps = random.rand(0.1..2.0)
      settled = (1..10).map { |turns| verdict(true_amps * turns, {}, {turns:, meter:}) != "cannot_tell" }
      expect(settled).to eq settled.sort_by { |one| one ? 1 : 0 }
    end
  end
end
