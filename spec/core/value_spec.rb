# frozen_string_literal: true

RSpec.describe Fenbo::Value do
  span = Fenbo::Value.of(:low, :high, unit: "A")

  it "is frozen, equal by content, and wants every member" do
    one = span.new(low: 1, high: 2)
    expect(one).to be_frozen
    expect(one).to eq(span.new(low: 1, high: 2))
    expect({one => :found}[span.new(low: 1, high: 2)]).to eq :found
    expect(one).not_to eq(span.new(low: 1, high: 2, unit: "V"))
    expect { span.new(low: 1) }.to raise_error(ArgumentError, "missing keyword: :high")
    expect { one.low = 3 }.to raise_error(FrozenError)
  end

  it "makes results that compare by what they say" do
    reason = Fenbo::Reason.new(text: "so", rule: "r", limit: 1)
    results = Array.new(2) { Fenbo::Result.new(verdict: "within", figures: {n: 1}, reasons: [reason]) }
    expect(results.uniq.size).to eq 1
    expect(results.first.to_h).to eq(verdict: "within", n: 1, reasons: [{text: "so", rule: "r", limit: 1}])
    expect(results.first).not_to be_refused
  end
end
