# frozen_string_literal: true

RSpec.describe Fenbo::Matching::Energy do
  def energy(change = {})
    described_class.call(
      {
        "side" => "evaporator",
        "freezer" => false,
        "old_watts" => 60,
        "new_watts" => 20,
        "tariff_cents_kwh" => 25,
        "extra_cents" => 12_264
      }.merge(change)
    )
  end

  it "pays a watt twice in the cold, by the COP, and once at a condenser" do
    # 40 × 1.4 = 56 W; × 8,760 h = 490.56 kWh; × 25 = 12,264 cents
    expect(energy.to_h.except(:reasons)).to eq(
      verdict: "saves",
      saved_watts: 56.0,
      saved_kwh: 490.6,
      saved_cents: 12_264,
      payback_years: 1.0,
      cop: 2.5
    )
    expect(energy("freezer" => true)[:saved_watts]).to eq 66.67
    expect(energy("side" => "condenser")[:saved_watts]).to eq 40
    expect(energy("hours_a_year" => 4380, "cop" => 4)[:saved_kwh]).to eq 219.0
  end

  it "never pays back where nothing is saved, and at once where nothing more is asked" do
    expect(energy("new_watts" => 60).to_h.values_at(:verdict, :payback_years)).to eq ["same", nil]
    expect(energy("new_watts" => 80).to_h.values_at(:verdict, :payback_years)).to eq ["costs", nil]
    expect(energy("extra_cents" => nil)[:payback_years]).to eq 0
    expect(
      energy("old_watts" => -1, "tariff_cents_kwh" => nil, "side" => "roof").faults.map(&:field)
    ).to contain_exactly("old_watts", "tariff_cents_kwh", "side")
  end
end
