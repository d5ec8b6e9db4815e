# frozen_string_literal: true

RSpec.describe Fenbo::Clearance::FanLaws do
  def laws(from, to, **more)
    described_class.call(
      {"from" => from.transform_keys(&:to_s), "to" => to.transform_keys(&:to_s)}.merge(more.transform_keys(&:to_s))
    )
  end

  it "answers the contract's example" do
    result =
      laws(
        {rpm: 1550, diameter_mm: 254, pitch_deg: 28},
        {rpm: 1300, diameter_mm: 254, pitch_deg: 28},
        watts: 9,
        motor_watts: 9
      )
    expect(result.to_h.except(:reasons)).to eq(
      verdict: "within",
      air_ratio: 0.839,
      pressure_ratio: 0.703,
      power_ratio: 0.59,
      watts: 5.31
    )
  end

  it "takes speed, diameter and pitch each by its own law" do
    fan = {rpm: 1300, diameter_mm: 250, pitch_deg: 25}
    ratios = ->(change) { laws(fan, fan.merge(change)).figures.values_at(:air_ratio, :pressure_ratio, :power_ratio) }
    expect(ratios[{rpm: 2600}]).to eq [2.0, 4.0, 8.0]
    expect(ratios[{diameter_mm: 500}]).to eq [8.0, 4.0, 32.0]
    expect(ratios[{pitch_deg: 30}]).to eq [1.0, 1.0, 1.2]
    expect(ratios[{diameter_mm: nil, pitch_deg: nil}]).to eq [1.0, 1.0, 1.0]
  end

  it "says when the blade overloads the motor, judges nothing without watts, and calls a large change of pitch rough" do
    fan = {rpm: 1300, pitch_deg: 25}
    expect(laws(fan, {rpm: 1560}, watts: 10, motor_watts: 17).verdict).to eq "overloads" # 10 × 1.2³ = 17.28
    expect(laws(fan, {rpm: 1560}, watts: 10, motor_watts: 17.28).verdict).to eq "within"
    expect(laws(fan, {rpm: 1560}).to_h.values_at(:verdict, :watts)).to eq [nil, nil]
    rules = ->(pitch) { laws(fan, fan.merge(pitch_deg: pitch)).reasons.map(&:rule) }
    expect(rules[30]).not_to include "fan_laws.pitch_change"
    expect(rules[31]).to include "fan_laws.pitch_change"
  end

  it "turns back to where it came from" do
    random = Random.new(4)
    50.times do
      one, other =
        Array.new(2) do
          {rpm: random.rand(500..3000), diameter_mm: random.rand(100..800), pitch_deg: random.rand(15..40)}
        end
      there, back = laws(one, other), laws(other, one)
      expect(there[:watts]).to be_nil
      expect(
        described_class.new(
          described_class.read(
            Fenbo::Input.new({"from" => one.transform_keys(&:to_s), "to" => other.transform_keys(&:to_s)}),
            nil
          ),
          nil
        ).power *
          described_class.new(
            described_class.read(
              Fenbo::Input.new({"from" => other.transform_keys(&:to_s), "to" => one.transform_keys(&:to_s)}),
              nil
            ),
            nil
          ).power
      ).to be_within(1e-9).of(1)
      expect(back).not_to be_refused
    end
  end

  it "names every wrong field at once" do
    refusal = laws({rpm: 0, diameter_mm: "x"}, {pitch_deg: 120}, watts: -1, motor_watts: 0)
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "from.rpm", "from.diameter_mm", "to.rpm", "to.pitch_deg", "watts", "motor_watts"
    )
  end
end
