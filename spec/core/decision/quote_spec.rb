# frozen_string_literal: true

RSpec.describe Fenbo::Decision::Quote do
  def quote(*cents, **more)
    options = cents.each_with_index.map { |list, index|
      {"id" => "o#{index}", "lines" => Array(list).map { |one| {"what" => "part", "cents" => one} }}
    }
    Fenbo.call(:quote, {"options" => options, "tax_percent" => 20}.merge(more.transform_keys(&:to_s)))
  end

  it "adds, discounts, taxes and rounds in whole cents, half a cent up" do
    asked = {"options" => [{"id" => "good", "discount_percent" => 2.5, "lines" => [
      {"what" => "motor", "cents" => 31_001}, {"what" => "labour", "cents" => 9_600}
    ]}], "tax_percent" => 7.7, "rounding_cents" => 5, "deposit_percent" => 30}
    # 406.01 − 10.15 = 395.86; tax 30.48; 426.34 → 426.35; deposit 127.905 → 127.91
    expect(Fenbo.call(:quote, asked).options.first).to have_attributes(
      lines_cents: 40_601, discount_cents: 1015, net_cents: 39_586, tax_cents: 3048, rounding_cents: 1,
      total_cents: 42_635, deposit_cents: 12_791
    )
  end

  it "asks above the limit and not at it, before tax" do
    expect([quote(35_000, limit_cents: 35_000).verdict, quote(35_001, limit_cents: 35_000).verdict,
      quote(900_000).verdict]).to eq %w[free ask free]
    expect(quote(35_001, limit_cents: 35_000).reasons.first).to have_attributes(limit: 35_000, value: 35_001)
  end

  it "never makes an option cheaper by adding a line, whatever the rounding" do
    random = Random.new(7)
    200.times do
      lines = Array.new(random.rand(1..6)) { random.rand(0..90_000) }
      set = {rounding_cents: described_class::ROUNDINGS.sample(random:), tax_percent: random.rand(0..25)}
      less, more = quote(lines, [*lines, random.rand(0..9_000)], **set).options
      expect(more.total_cents).to be >= less.total_cents
      expect(less.net_cents + less.tax_cents + less.rounding_cents).to eq less.total_cents
    end
  end

  it "names every wrong field" do
    expect(quote(1, rounding_cents: 3, tax_percent: 120).faults.map(&:field)).to contain_exactly("rounding_cents",
      "tax_percent")
    expect(Fenbo.call(:quote, {"options" => []}).faults.map(&:field)).to eq ["options"]
  end
end
