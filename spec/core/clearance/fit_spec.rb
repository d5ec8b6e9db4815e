# frozen_string_literal: true

RSpec.describe Fenbo::Clearance::Fit do
  example = {
    "L" => 38,
    "h" => 14,
    "b_m" => 4,
    "b_f" => 18,
    "m" => 0,
    "G" => 60,
    "O" => 24,
    "t" => 1.6,
    "n_max" => 6,
    "key" => {
      "k0" => 10,
      "k1" => 34,
      "k" => 7
    },
    "old_seat" => 14,
    "limits" => nil
  }
  # A shaft with room everywhere, for one condition at a time.
  roomy = {
    "L" => 100,
    "h" => 10,
    "b_m" => 5,
    "b_f" => 15,
    "m" => 0,
    "G" => nil,
    "O" => nil,
    "t" => 2,
    "n_max" => 0,
    "key" => nil,
    "old_seat" => nil
  }

  def fit(question) = described_class.call(question)

  it "answers the contract's example" do
    expect(fit(example).to_h.except(:reasons, :shown, :shaft_range, :tip_gap)).to eq(
      verdict: "fits",
      spacers: 0,
      seat: 14,
      seat_range: [12.6, 21.4],
      exposed_shaft: 10,
      clearances: {
        motor: 10,
        guard: 22,
        immersion: 0.64,
        engagement: 1.0
      },
      binding: "orifice",
      short_by_mm: 0,
      close: []
    )
  end

  # Each worked by hand on the roomy shaft: [change, low, high].
  {
    "engagement: s <= L − 0.8·h, motor: s >= m + b_m + 3" => [{}, 8.0, 92.0],
    "a boss in the way" => [{"m" => 4}, 12.0, 92.0],
    "guard: s <= G − b_f − 6" => [{"G" => 110}, 8.0, 89.0],
    "orifice: O + b_m − 0.7·20 to O + b_m − 0.3·20" => [{"O" => 40}, 31.0, 39.0],
    "key: k0 + 2 − k to k1 − 2 − k" => [{"key" => {"k0" => 20, "k1" => 60, "k" => 5}}, 17.0, 53.0],
    "own limits" => [{"limits" => {"engagement" => 0.5, "motor_clearance" => 10}}, 15.0, 95.0]
  }.each do |words, (change, low, high)|
    it("holds #{words}") { expect(fit(roomy.merge(change))[:seat_range]).to eq [low, high] }
  end

  it "keeps the old seat inside the range, takes the nearest end a tenth inward outside, the middle where " \
    "none is known" do
    seat = ->(old) { fit(roomy.merge("O" => 40, "old_seat" => old))[:seat] } # 31 to 39
    expect([35, 31, 39, 30.9, 12, 50].map(&seat)).to eq [35, 31, 39, 31.8, 31.8, 38.2]
    expect(seat[nil]).to eq 35
  end

  it "adds the fewest spacers that do, and moves guard and orifice with them" do
    # The blade needs s >= 8, the guard lets s <= G − 21 + 2n.
    short = fit(roomy.merge("L" => 24, "G" => 25, "n_max" => 6))
    # The shaft alone wants G + 2n − 24 >= 6: n >= 2.5; the blade 25 + 2n − 21 >= 8: n >= 2.
    expect(short.to_h.values_at(:verdict, :spacers)).to eq ["fits_with_spacers", 3]
    expect(short[:clearances][:guard]).to eq [25 + 6 - [short[:seat] + 15, 24].max].first
    expect(short.reasons.map(&:rule)).to include "fit.spacers"
  end

  it "names what blocks and by how many millimetres" do
    long = fit(roomy.merge("L" => 38.2, "G" => 40, "n_max" => 0)) # 40 − 38.2 = 1.8, wanted 6
    expect(long.to_h.values_at(:verdict, :binding, :short_by_mm, :seat, :spacers)).to eq [
      "does_not_fit", "guard", 4.2, nil, nil
    ]
    expect(long.reasons.first.text).to include "shaft is 4.2 mm too long for the guard"
    key = fit(roomy.merge("key" => {"k0" => 0, "k1" => 10, "k" => 5})) # s <= 3, the blade wants 8
    expect(key.to_h.values_at(:verdict, :binding, :short_by_mm)).to eq ["does_not_fit", "key", 5]
    # Two spacers bring the shaft clear, none is left for the third.
    expect(fit(roomy.merge("L" => 38.2, "G" => 40, "n_max" => 2))[:short_by_mm]).to eq 0.2
    expect(fit(roomy.merge("L" => 38.2, "G" => 40, "n_max" => 3)).verdict).to eq "fits_with_spacers"
  end

  it "counts a seat that meets two demands exactly, and says that a caliper cannot tell" do
    exact = fit(roomy.merge("key" => {"k0" => 11, "k1" => 15, "k" => 5})) # 8 to 8
    expect(exact.to_h.values_at(:verdict, :seat_range)).to eq ["fits", [8, 8]]
    expect(exact[:close]).to contain_exactly("motor", "key")
    expect(exact.reasons.map(&:rule)).to include "fit.tolerance"
    expect(fit(roomy)[:close]).to eq []
  end

  it "looks at any chosen seat: what holds there and by how much, without changing the verdict" do
    # The orifice, 2 mm out, wants 33 to 41.
    looked = fit(roomy.merge("G" => 110, "O" => 40, "chosen" => {"seat" => 32, "spacers" => 1}))
    expect(looked.to_h.values_at(:verdict, :spacers)).to eq ["fits", 0]
    expect(looked[:shown]).to include(
      seat: 32,
      spacers: 1,
      holds: false,
      clearances: {
        motor: 27,
        guard: 12,
        immersion: 0.75,
        engagement: 1.0
      }
    )
    expect(looked[:shown][:conditions].to_h { |one| one.values_at(:words, :margin) }).to eq(
      "the hub on the shaft" => 60,
      "the blade clear of the motor" => 24,
      "the blade clear of the guard" => 59,
      "the shaft clear of the guard" => 6,
      "the blade in its opening" => -1
    )
    expect(fit(roomy.merge("chosen" => {"seat" => "x", "spacers" => 1.5})).faults.map(&:field)).to contain_exactly(
      "chosen.seat",
      "chosen.spacers"
    )
  end

  it "says which shafts would fit, and calls a miss within the caliper's error too close" do
    # Blade from 8 mm, 0.8 of the hub on the shaft: from 16; to the guard, three spacers out: 40 + 6 − 6.
    expect(fit(roomy.merge("L" => 45, "G" => 40, "n_max" => 3))[:shaft_range]).to eq [16, 40]
    expect(fit(roomy.merge("G" => nil))[:shaft_range]).to eq [16, nil]
    miss = ->(length, tolerance = nil) { fit(roomy.merge("L" => length, "G" => 40, "tolerance" => tolerance)) }
    expect(miss[34.4].to_h.values_at(:verdict, :close)).to eq ["does_not_fit", ["guard"]]
    expect([miss[34.5], miss[34.4, 0.2], miss[33.4]].map { |one| one[:close] }).to eq [[], [], []]
    expect(miss[33.6][:close]).to eq ["guard"]
  end

  it "never makes a fit worse by a wider guard, a shorter hub's demand or one more spacer at hand" do
    random = Random.new(9)
    300.times do
      question = {
        "L" => random.rand(20..60),
        "h" => random.rand(8..20),
        "b_m" => random.rand(0..8),
        "b_f" => random.rand(10..25),
        "m" => random.rand(0..3),
        "G" => random.rand(20..80),
        "O" => nil,
        "t" => 1.6,
        "n_max" => random.rand(0..4)
      }
      shortfall = ->(change) { fit(question.merge(change))[:short_by_mm] }
      expect(shortfall["G" => question["G"] + random.rand(1..10)]).to be <= shortfall[{}]
      expect(shortfall["n_max" => question["n_max"] + 1]).to be <= shortfall[{}]
      expect(shortfall["limits" => {"engagement" => 0.5}]).to be <= shortfall[{}]
    end
  end

  it "finds a seat in its own range that keeps every clearance" do
    random = Random.new(10)
    found =
      Array
        .new(300) do
          fit(
            example.merge(
              "L" => random.rand(25..60),
              "h" => random.rand(8..20),
              "G" => random.rand(40..70),
              "O" => random.rand(10..40),
              "old_seat" => random.rand(0..40),
              "key" => nil
            )
          )
        end
        .reject { |one| one.verdict == "does_not_fit" }
    expect(found.size).to be > 50
    found.each do |one|
      expect(one[:seat]).to be_between(*one[:seat_range]).inclusive
      expect(one[:clearances][:motor]).to be >= 3
      expect(one[:clearances][:guard]).to be >= 6 - 0.01
      expect(one[:clearances][:immersion]).to be_between(0.3 - 0.01, 0.7 + 0.01)
      expect(one[:clearances][:engagement]).to be >= 0.8 - 0.01
    end
  end

  # Every seat tried by hand, by the five conditions as they are written down.
  it "agrees with trying every seat and every number of spacers" do
    holds =
      lambda do |q, seat, count|
        moved = count * q["t"]
        engaged = [seat + q["h"], q["L"]].min - seat >= 0.8 * q["h"] - 1e-6
        motor = seat - q["b_m"] - q["m"] >= 3 - 1e-6
        guard = q["G"].nil? || q["G"] + moved - [seat + q["b_f"], q["L"]].max >= 6 - 1e-6
        orifice =
          q["O"].nil? ||
          ((q["O"] + moved - (seat - q["b_m"])) / (q["b_m"] + q["b_f"]).to_f).between?(0.3 - 1e-6, 0.7 + 1e-6)
        key = q["key"].nil? || (seat + q["key"]["k"]).between?(q["key"]["k0"] + 2 - 1e-6, q["key"]["k1"] - 2 + 1e-6)
        engaged && motor && guard && orifice && key
      end
    random = Random.new(11)
    pick = ->(range) { random.rand(range) * 0.5 }
    verdicts =
      Array.new(200) do
        q = {
          "L" => pick[60..120],
          "h" => pick[16..40],
          "b_m" => pick[0..12],
          "b_f" => pick[20..50],
          "m" => pick[0..6],
          "G" => [nil, pick[70..150]].sample(random:),
          "O" => [nil, pick[30..70]].sample(random:),
          "t" => pick[2..5],
          "n_max" => random.rand(0..4),
          "key" => [nil, {"k0" => pick[10..30], "k1" => pick[50..110], "k" => pick[6..20]}].sample(random:),
          "old_seat" => [nil, pick[10..60]].sample(random:)
        }
        # Every figure is half a millimetre's multiple but the shares of hub and blade: a tenth finds them.
        fewest = (0..q["n_max"]).find { |count| (0..700).any? { |tenth| holds[q, tenth / 10.0, count] } }
        result = fit(q)
        expect(result[:spacers]).to eq(fewest),
          "#{q}: #{result.to_h.slice(:verdict, :spacers, :short_by_mm)} for #{fewest.inspect}"
        expect(holds[q, result[:seat], fewest]).to be true if fewest
        result.verdict
      end
    expect(verdicts.tally.values).to contain_exactly(be > 5, be > 5, be > 5)
  end

  it "tells the gap at the tips without letting it decide the seat" do
    at = ->(opening) { fit(example.merge("D" => opening, "blade_diameter_mm" => 254)) }
    expect([259.9, 260, 270, 270.2].map { |mm| at[mm][:tip_gap].values_at(:mm, :holds) }).to eq [
      [2.95, false],
      [3.0, true],
      [8.0, true],
      [8.1, false]
    ]
    expect(at[259.9].to_h.slice(:verdict, :seat)).to eq fit(example).to_h.slice(:verdict, :seat)
    expect(at[259.9].reasons.last.text).to include "2.95 mm at the tips"
    expect([fit(example)[:tip_gap], fit(example.merge("D" => -1)).faults.map(&:field)]).to eq [nil, ["D"]]
  end

  it "names every wrong field at once" do
    refusal =
      fit(
        {
          "L" => 0,
          "b_m" => 2,
          "b_f" => -2,
          "n_max" => 1.5,
          "key" => {
            "k0" => 9,
            "k1" => 3
          },
          "limits" => {
            "engagement" => 2,
            "immersion" => [0.7, 0.3]
          }
        }
      )
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "L", "h", "b_f", "n_max", "key.k", "limits.engagement", "limits.immersion"
    )
  end
end
