# frozen_string_literal: true

RSpec.describe Fenbo::Refrigerant::Ledger do
  def ledger(*moves, **given)
    rows =
      moves.map { |on, kind, before, after| {"on" => on, "kind" => kind, "before_kg" => before, "after_kg" => after} }
    described_class.call({"full_charge_kg" => 40, "moves" => rows}.merge(given.transform_keys(&:to_s)))
  end

  it "answers the contract's example" do
    result = ledger(["2031-02-01", "added", 30, 22], warn_percent: 20)
    expect(result.to_h.values_at(:verdict, :added_kg, :recovered_kg)).to eq ["within", 8.0, 0.0]
    expect(result[:last_addition]).to include(kg: 8, share: 0.2, days: 365, annual_rate_percent: 20.0)
  end

  it "counts the days since the addition before, whatever the order of the rows" do
    rows = [["2031-04-12", "added", 20, 18], ["2031-02-01", "added", 30, 22], ["2031-03-01", "recovered", 5, 6.5]]
    result = ledger(*rows)
    # 2 ÷ 40 × 365 ÷ 70 days
    expect(result[:last_addition]).to include(kg: 2, days: 70, annual_rate_percent: 26.07)
    expect(result.to_h.values_at(:verdict, :added_kg, :recovered_kg)).to eq ["over", 10.0, 1.5]
    expect(rows.permutation.map { |order| ledger(*order).to_h }.uniq.size).to eq 1
  end

  it "takes two cylinders of one day as one addition, and years as one year" do
    expect(ledger(["2031-02-01", "added", 30, 22], ["2031-02-01", "added", 12, 10])[:last_addition]).to include(
      kg: 10,
      days: 365
    )
    expect(ledger(["2028-02-01", "added", 30, 22], ["2031-02-01", "added", 12, 10])[:last_addition]).to include(
      kg: 2,
      days: 365
    )
    expect(ledger(["2031-02-01", "recovered", 3, 9]).verdict).to eq "no_history"
  end

  it "names every wrong field at once" do
    refusal = ledger(["2031-02-30", "added", 3, 9], ["soon", "stolen", -1, 2], full_charge_kg: 0)
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "full_charge_kg", "moves.0.on", "moves.0.after_kg", "moves.1.on", "moves.1.kind", "moves.1.before_kg"
    )
  end
end
