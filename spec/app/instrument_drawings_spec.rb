# frozen_string_literal: true

require_relative "app_spec_helper"
require "nokogiri"

# The instruments' pictures, made of what the core answers: whatever was measured, they
# are well formed, lie inside their frame and say in words what they show.
RSpec.describe "the instruments' drawings" do
  let(:random) { Random.new(21) }

  # All coordinates of plain shapes, as [x, y].
  def points(svg)
    svg
      .xpath("//*")
      .flat_map do |one|
        [%w[x y], %w[x1 y1], %w[x2 y2], %w[cx cy]].filter_map { |x, y| [one[x].to_f, one[y].to_f] if one[x] && one[y] }
      end
  end

  def sound?(text, slack: 30)
    expect(text).not_to match(/NaN|Infinity/)
    svg = Nokogiri.XML(text, &:strict)
    expect(svg.root["aria-label"].to_s).not_to be_empty
    _, _, width, height = svg.root["viewBox"].split.map(&:to_f)
    points(svg).each do |x, y|
      expect([x, y]).to match [be_between(-slack, width + slack), be_between(-slack, height + slack)]
    end
  end

  def answer(tool, asked)
    Fenbo.call(tool, asked).tap { |result| expect(result).not_to be_refused }
  end

  def any(*span) = random.rand(*span)

  it "shows any current against its window" do
    60.times do
      asked = {
        "motor" => {
          "family" => %w[psc shaded_pole].sample(random:),
          "nameplate_amps" => any(0.05..20.0),
          "turning" => [true, false, nil].sample(random:)
        },
        "reading" => {
          "amps" => [[0, any(0.0..60.0)].sample(random:)],
          "turns" => any(1..10),
          "meter" => {
            "percent" => 2,
            "counts" => 5,
            "resolution" => 0.01
          }
        }
      }
      sound?(Shared::Drawing::AmpsDial.new(result: answer("amps", asked), turns: asked["reading"]["turns"]).svg)
    end
  end

  it "shows any three legs, equal, lost or rolled" do
    60.times do
      amps = Array.new(3) { [0.0, any(0.0..50.0)].sample(random:) }
      rolled = [nil, amps.rotate].sample(random:)
      lost = answer("phases", {"amps" => amps, "rolled_amps" => rolled})["lost_leg"]
      sound?(Shared::Drawing::Legs.new(values: amps, unit: "A", limits: [5, 10], rolled:, lost:).svg)
    end
    expect(
      Shared::Drawing::Legs.new(values: [4, 0, 4], unit: "A", limits: [5, 10], lost: "b").svg
    ).to include "leg b is lost"
  end

  it "lights the part of a winding that is open, short or grounded, in every kind" do
    {"three_phase" => %w[ab bc ca], "psc" => %w[cr cs rs], "shaded_pole" => %w[ab]}.each do |kind, pairs|
      40.times do
        open = pairs.select { any < 0.3 }
        ohms = (pairs - open).select { any < 0.9 }.to_h { |pair| [pair, any(0.0..40.0)] }
        result =
          answer(
            "windings",
            {"kind" => kind, "ohms" => ohms, "open" => open, "ground_megohms" => [nil, 0.2, 3, 500].sample(random:)}
          )
        drawn = Shared::Drawing::Winding.new(kind:, result:, ohms:, open:).svg
        sound?(drawn)
        expect(Nokogiri.XML(drawn).root["aria-label"]).to include result["verdict"].tr("_", " ")
      end
    end
  end

  it "shows a capacitor from open to far too high" do
    [0, 0.1, 20, 23.5, 25, 26.5, 40, 5_000].each do |measured|
      result = answer("capacitor", {"rated_uf" => 25, "measured_uf" => measured})
      drawn = Shared::Drawing::CapacitorBand.new(result:, open_uf: 1.25).svg
      sound?(drawn)
      expect(drawn).to include result["verdict"]
    end
  end

  it "shows a box that cools, stalls or rises, and one that drifts" do
    40.times do
      settles, start = any(-25.0..15.0), any(-20.0..25.0)
      readings =
        Array.new(any(2..12)) do |index|
          {"minute" => index * 7, "c" => settles + (start - settles) * Math.exp(-index * 7 / 30.0) + any(-0.2..0.2)}
        end
      asked = {"setpoint_c" => any(-25..8), "readings" => readings}
      sound?(
        Shared::Drawing::CoolingCurve.new(
          result: answer("pulldown", asked),
          asked:,
          food_limit_c: [nil, 8].sample(random:),
          system: %w[si us].sample(random:)
        ).svg
      )
      clock = {
        "now_c" => start,
        "end_c" => any(-5.0..30.0),
        "limit_c" => any(-18.0..12.0),
        "tau_hours" => any(0.5..40.0)
      }
      sound?(
        Shared::Drawing::DriftCurve.new(
          result: answer("product", clock),
          asked: clock,
          read_ago: any(0.0..30.0),
          system: %w[si us].sample(random:)
        ).svg
      )
    end
  end

  it "tells the hours to a box's limit from now, not from its reading" do
    asked = {"now_c" => 4, "end_c" => 14, "limit_c" => 8, "tau_hours" => 20}
    lines = [0.0, 2.0].map { |read_ago|
      svg = Nokogiri::XML(Shared::Drawing::DriftCurve.new(result: answer("product", asked), asked:, read_ago:).svg)
      tick = svg.css("text.axis-figure").find { |one| one.text == "10" && one["text-anchor"] == "middle" }
      [svg.at_css(".limit-words").text, svg.at_css(".limit-line")["x1"].to_f > tick["x"].to_f]
    }
    expect(lines).to eq [["10.2 h", true], ["8.2 h", false]]
  end

  it "has round figures at its side in the reader's own units" do
    readings = [{"minute" => 0, "c" => 20.0}, {"minute" => 30, "c" => 0.0}]
    told = %w[si us].map { |system|
      asked = {"setpoint_c" => 2, "readings" => readings}
      svg = Shared::Drawing::CoolingCurve.new(result: answer("pulldown", asked), asked:, system:).svg
      Nokogiri::XML(svg).css("text[text-anchor=end].axis-figure").map { |one| [one.text.to_i, one["y"].to_f.round] }
    }
    expect(told.map { |rows| rows.map(&:first) }).to eq [[0, 5, 10, 15, 20], [40, 50, 60]]
    freezing, fifty = told[0].first.last, told[1][1].last
    expect(fifty).to be_within(1).of(freezing + (told[0][2].last - freezing))
  end

  it "shows one move of refrigerant and thirty" do
    [1, 2, 7, 30].each do |many|
      moves =
        Array.new(many) do |index|
          {
            "on" => (Date.new(2030, 1, 1) + index * 11).iso8601,
            "kind" => %w[added recovered].sample(random:)
          }.then do |one|
            one.merge(
              (
                if one["kind"] == "added"
                  {"before_kg" => 30, "after_kg" => 30 - any(0..9)}
                else
                  {"before_kg" => 3, "after_kg" => 3 + any(0..9)}
                end
              )
            )
          end
        end
      asked = {"full_charge_kg" => 40, "moves" => moves}
      sound?(Shared::Drawing::LedgerBars.new(result: answer("refrigerant", asked), asked:, warn: 20).svg)
    end
  end

  it "draws every cell of a map to be painted, runs of one level otherwise, and what has changed" do
    grid = [[0, 0, 1, 1], [2, 2, 2, 2], [4, 3, 3, 0]]
    painted = Shared::Drawing::FrostMap.new(grid:, paint: true).svg
    sound?(painted)
    expect(painted.scan("data-cell=").size).to eq 12
    shown =
      Shared::Drawing::FrostMap.new(
        grid:,
        fans: [{"position" => "evaporator-1", "columns" => [0, 3], "running" => false}],
        ring: true,
        feed_end: "right"
      ).svg
    sound?(shown)
    expect(shown.scan(/frost-level-(\d)/).flatten).to eq %w[1 2 4 3]
    expect(shown).to include("1 stands").and include("ice on blade or ring")
    before = [[0, 1, 1, 1], [2, 2, 2, 0], [4, 3, 3, 4]]
    changed = Nokogiri.XML(Shared::Drawing::FrostMap.new(grid:, before:).svg)
    expect(changed.xpath("//*[@class='grown' or @class='gone']").map(&:text)).to eq %w[−1 +2 −4]
    expect(Shared::Drawing::FrostMap.new(grid:, before: [[1]]).svg).not_to match(/grown|gone/)
  end

  it "marks shaft, blades and hum on a recording, alone and over another" do
    curves =
      %w[bearing healthy].map do |kind|
        bytes =
          FenboSimulation::Microphone.new(
            kind:,
            rpm: 1310,
            blades: 5,
            hertz: 50,
            seconds: 3,
            rate: 16_000,
            random: Random.new(2)
          ).wav
        recording =
          Fenbo::Sound::Recording.new(
            Fenbo::Sound::Recording.read(
              Fenbo::Input.new({"rpm" => 1310, "blades" => 5, "hertz" => 50, "wav_bytes" => bytes}),
              Fenbo::Limits.default
            ),
            Fenbo::Limits.default
          )
        [Fenbo::Sound::Curves.of(recording).as_json, recording.answer.to_h.as_json["figures"]]
      end
    (one, figures), (other, _) = curves
    drawn = Shared::Drawing::SoundCurves.new(curves: one, figures:, hertz: 50, beside: other).svg
    parts = drawn.scan(%r{<svg.*?</svg>}m)
    expect(parts.size).to eq 3
    parts.each { |part| sound?(part) }
    expect(parts.first).to include("shaft at 22 hertz").and include("hum at 100 hertz")
    expect(drawn.scan("curve-beside").size).to eq 2
  end
end
