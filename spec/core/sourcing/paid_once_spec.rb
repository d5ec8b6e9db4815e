# frozen_string_literal: true

require "spec_helper"

# What several parts of one job cost together.
RSpec.describe Fenbo::Sourcing::PaidOnce do
  def way(offer, day: 8, behind: nil, **lines)
    described_class::Way.of("offer" => offer, "stopgap" => behind, "ready_at" => "2031-05-0#{day}T10:00",
      "lines" => lines.map { |what, cents| {"what" => what.to_s.tr("_", " "), "cents" => cents} })
  end

  def sums(*ways)
    described_class.new(ways).lines.map { |lines| lines.sum { |line| line["cents"] } }
  end

  it "pays a trip once for all, the dearest, and a parcel, a drive and a stopgap once for those that share it" do
    expect(sums(way("a", parts: 1, second_trip: 50), way("b", parts: 2, second_trip: 60))).to eq [1, 62]
    expect(sums(way("a", freight: 5), way("a", freight: 5), way("b", freight: 5), way("a", day: 9, freight: 5)))
      .to eq [5, 0, 5, 5]
    expect(sums(way("a", behind: "ice", stopgap: 8), way("b", behind: "ice", stopgap: 8),
      way("b", behind: "run", stopgap: 4)))
      .to eq [8, 0, 4]
    expect(sums(way("a", travel: 7, labour: 3), way("a", travel: 9, labour: 3))).to eq [3, 12]
  end

  # The tool's own options, as a part keeps them.
  describe "beside a way that is taken already" do
    let(:example) { Fenbo::Tools.entry("source").example }

    def options(**more)
      Fenbo.call(:source, example.merge(more.transform_keys(&:to_s))).options
    end

    def of(list, offer, stopgap)
      list.find { |one| one.offer == offer && one.stopgap == stopgap }
    end

    it "adds to the same parcel for its price and labour alone, and leaves the van as it was" do
      first = options
      taken = of(first, "order-b", "swap_stages").as_json.slice("offer", "stopgap", "ready_at", "lines")
      second = options(along: [taken])
      lines = of(second, "order-b", "swap_stages").lines.to_h { |line| [line.what, line.cents] }
      expect(lines).to include("parts" => 5200, "freight" => 1200, "paid with another part" => -(1200 + 6500 + 3200))
      expect(of(second, "order-b", "swap_stages").total_cents).to eq 5200 + 9600
      expect(of(second, "van", nil)).to eq of(first, "van", nil)
    end

    it "says what of it cannot be read" do
      refused = Fenbo.call(:source, example.merge("along" => [{"ready_at" => "soon", "lines" => [{"what" => "x"}]}]))
      expect(refused.faults.map(&:field)).to contain_exactly("along.0.offer", "along.0.ready_at",
        "along.0.lines.0.cents")
    end
  end
end
