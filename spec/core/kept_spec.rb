# frozen_string_literal: true

RSpec.describe Fenbo::Kept do
  it "works out what it does not hold, and lets go what was asked longest ago" do
    worked_out = []
    kept = described_class.new(2)
    ask = ->(question) { kept.fetch(question) { worked_out << question && question * 2 } }
    expect([1, 2, 1, 3, 1, 2].map(&ask)).to eq [2, 4, 2, 6, 2, 4]
    expect(worked_out).to eq [1, 2, 3, 2]
  end
end
