# frozen_string_literal: true

RSpec.describe Fenbo::Diagnosis::Chances do
  it "fills a partial picture in proportion to the usual" do
    filled = described_class.fill({"b" => 0.6}, %w[a b c], [0.6, 0.2, 0.2])
    expect(filled.zip([0.3, 0.6, 0.1]).map { |one, wanted| (one - wanted).abs }.max).to be < 1e-12
  end

  it "takes the later of two outcomes as often as either shows it" do
    # P(max = last) = 1 − (1 − 0.5)(1 − 0.4) = 0.7
    combined = described_class.maximum([[0.5, 0.0, 0.5], [0.3, 0.3, 0.4]])
    expect(combined.zip([0.15, 0.15, 0.7]).map { |one, wanted| (one - wanted).abs }.max).to be < 1e-12
  end

  it "shares a name among those that may be named" do
    # Each row: the chances of both sounds, and their sum. Nobody else: always. Beside one that is always
    # there: half. Beside two: a third. Beside one there in half the cases: 3 of 4, and what it shows itself.
    sure, half = [1.0, 0.0, 1.0], [0.0, 0.5, 0.5]
    named = [[sure], [sure, [0.0, 1.0, 1.0]], [sure, [0.0, 1.0, 1.0], [0.0, 1.0, 1.0]], [sure, half]]
    expect(named.map { |rows| described_class.any(0, *rows).round(12) }).to eq [1.0, 0.5, (1 / 3.0).round(12), 0.75]
    expect(described_class.any(1, half, sure)).to be_within(1e-12).of(0.25)
  end

  it "keeps every mixture a distribution, whatever the order of the causes" do
    random = Random.new(3)
    100.times do
      three = Array.new(3) { Array.new(4) { random.rand }.then { |row| row.map { |one| one / row.sum } } }
      combined = described_class.maximum(three)
      expect(combined.sum).to be_within(1e-9).of(1)
      expect(combined.zip(described_class.maximum(three.reverse)).map { |a, b| (a - b).abs }.max).to be < 1e-12
    end
  end
end
