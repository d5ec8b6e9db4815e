# frozen_string_literal: true

require_relative "app_spec_helper"
require "nokogiri"

RSpec.describe Shared::Drawing::ClearanceSection do
  def drawing(question, wide: true, system: "si")
    fit =
      Fenbo::Clearance::Fit.new(
        Fenbo::Clearance::Question.read(Fenbo::Input.new(question), Fenbo::Limits.default),
        Fenbo::Limits.default
      )
    described_class.new(
      layout: fit.layout,
      range: [nil, nil],
      words: ->(mm) { "#{Fenbo::Quantities.tidy(mm.round(1))} mm" },
      system:,
      body_mm: 70,
      wide:
    )
  end

  def parsed(svg) = Nokogiri.XML(svg, &:strict)

  place = {
    "L" => 44,
    "h" => 14,
    "b_m" => 4,
    "b_f" => 18,
    "m" => 1,
    "G" => 46,
    "O" => 20,
    "t" => 1.6,
    "n_max" => 0,
    "key" => nil,
    "old_seat" => 13
  }

  it "draws everything to one scale, and the violated stretch as the only red thing" do
    picture = drawing(place)
    scale = picture.scale
    svg = parsed(picture.svg)
    width = ->(css) { svg.at_css(".#{css}")["width"].to_f }
    expect([width["fit-shaft"], width["fit-hub"], width["fit-trouble"]]).to match [
      be_within(0.1).of(44 * scale),
      be_within(0.1).of(14 * scale),
      be_within(0.1).of(4 * scale)
    ]
    expect(svg.css(".fit-trouble-words").map(&:text)).to eq ["4 mm too long"]
    expect(parsed(drawing(place.merge("L" => 38)).svg).css(".fit-trouble")).to be_empty
  end

  it "shows the old blade as a ghost once the hub has moved from it, and spacers where they lie" do
    expect(parsed(drawing(place.merge("L" => 30)).svg).css(".fit-ghost")).to be_empty
    expect(parsed(drawing(place.merge("L" => 30, "chosen" => {"seat" => 15})).svg).css(".fit-ghost").size).to eq 3
    expect(parsed(drawing(place.merge("L" => 42, "n_max" => 4)).svg).css(".fit-spacer").size).to eq 4
  end

  it "lies on a ruler in the reader's units, figures never over one another" do
    figures = ->(**how) {
      picture = drawing(place, **how)
      svg = parsed(picture.svg)
      labels = svg.css(".axis-figure").map { |text| [text.text, text["x"].to_f] }
      expect(labels.map(&:last).each_cons(2).map { |one, two| two - one }.min).to be > 14
      [labels.map(&:first).first(4), labels.each_cons(2).map { |(_, one), (_, two)| (two - one) / picture.scale }.first]
    }
    expect(figures.call).to match [%w[0 10 20 30], be_within(0.1).of(10)]
    expect(figures.call(system: "us")).to match [["0", "0.5", "1", "1.5"], be_within(0.1).of(12.7)]
    expect(figures.call(system: "us", wide: false)).to match [["0", "0.5", "1", "1.5"], be_within(0.1).of(12.7)]
    expect(drawing(place, system: "us").svg).to include "in from the motor"
  end

  it "stays on its sheet whatever is measured" do
    random = Random.new(8)
    80.times do
      question = {
        "L" => random.rand(8..160),
        "h" => random.rand(4..40),
        "b_m" => random.rand(-6..20),
        "b_f" => random.rand(8..70),
        "m" => random.rand(0..6),
        "G" => [nil, random.rand(10..200)].sample(random:),
        "O" => [nil, random.rand(4..90)].sample(random:),
        "t" => 1.6,
        "n_max" => random.rand(0..6),
        "key" => [nil, {"k0" => 4, "k1" => 30, "k" => 5}].sample(random:),
        "old_seat" => [nil, random.rand(0..60)].sample(random:),
        "chosen" => [nil, {"seat" => random.rand(0..80), "spacers" => 1}].sample(random:)
      }
      [true, false].each do |wide|
        svg = parsed(drawing(question, wide:).svg)
        edge = svg.root["viewBox"].split[2].to_f
        expect(svg.css("rect, line").flat_map { |one| [one["x"], one["x1"], one["x2"]].compact.map(&:to_f) }).to all(
          be_between(-20, edge + 20)
        )
      end
    end
  end
end

RSpec.describe Shared::Drawing::Turning do
  it "draws the arrow one way round from the shaft end and the other from the lead end" do
    heads = ->(sense) do
      Nokogiri
        .XML(described_class.new(sense, view: "lead_end").svg)
        .css(".arrow-run-head")
        .map { |one| one["transform"][/rotate\((-?\d+)/, 1].to_i }
    end
    expect(heads["cw"]).to eq heads["ccw"].reverse
    expect([heads["reversible"].size, heads[nil].size]).to eq [4, 0]
  end
end
