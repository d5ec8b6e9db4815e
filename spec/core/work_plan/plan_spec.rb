# frozen_string_literal: true

RSpec.describe Fenbo::WorkPlan::Plan do
  def plan(family = "walk_in_cooler", task = "evaporator_fan_motor", features = {}, **more)
    described_class.call({"family" => family, "task" => task,
                          "features" => features}.merge(more.transform_keys(&:to_s)))
  end

  # Every way a unit can be, or, where those are too many, a seeded handful with each answer in it.
  def self.ways(family, random, most: 60)
    features = described_class.features(family)
    answers = features.transform_values { |feature| feature["choices"] || [true, false] }
    all = answers.values.map(&:size).reduce(:*)
    return answers.values.first.product(*answers.values.drop(1)).map { |row| answers.keys.zip(row).to_h } if all <= most
    Array.new(most) { |turn| answers.to_h { |id, list| [id, list[turn % list.size]] }.transform_values(&:itself) }
      .each { |way| way.each_key { |id| way[id] = answers[id].sample(random: random) if random.rand < 0.6 } }
  end

  # Every two tasks of a family that can be done at one fan.
  def self.pairs
    described_class.families.flat_map do |family|
      Fenbo::Knowledge.table("families")[family]["sides"].flat_map { |side|
        Fenbo::WorkPlan::Task.possible(family, side).combination(2).map { |pair| [family, side, *pair] }
      }
    end
  end

  # What must hold of any plan, as sentences.
  def broken(result)
    steps = result[:steps]
    of = steps.group_by { |step| step[:phase] }
    apart, back = of.fetch("apart", []), of.fetch("back", [])
    reversed = back.filter_map { |step| step[:reverses] }
    at = steps.each_with_index.to_h { |step, index| [step[:id], index] }
    [
      ("phases #{steps.map { |step| step[:phase] }.uniq}" if steps.map { |step| step[:phase] }.uniq !=
        %w[safe apart exchange back prove] & of.keys),
      ("an id twice" if at.size != steps.size),
      ("put back in another order" if reversed != apart.map { |step| step[:id] }.reverse & reversed),
      ("put back twice" if reversed.uniq != reversed),
      ("fasteners stay out" if apart.select { |step| step[:fasteners] }.map { |step| step[:id] } - reversed != []),
      ("no proof of dead" unless steps.find { |step| step[:id] == "proved_dead" }&.fetch(:phase) == "safe"),
      ("a step without a time" if steps.any? { |step| step[:minutes] < 1 }),
      ("minutes do not add up" if result[:minutes] != steps.sum { |step| step[:minutes] }),
      ("power before locks" if at["locks_off"] && at["power_on"] && at["locks_off"] > at["power_on"]),
      ("power is never on again" unless at["power_on"] || at["plugged_in"])
    ].compact
  end

  random = Random.new(2031)
  described_class.families.each do |family|
    it "holds for every task of #{family}, however the unit is" do
      self.class.ways(family, random).each do |features|
        Fenbo::WorkPlan::Recipe.of(family).tasks.each_key do |task|
          expect([task, features, *broken(plan(family, task, features))]).to eq [task, features]
        end
      end
    end
  end

  it "holds for any two tasks in one opening, which is never longer than one after the other" do
    ids = ->(*plans) { plans.flat_map { |one| one[:steps].map { |step| step[:id] } } }
    self.class.pairs.each do |family, side, *pair|
      one, two = pair.map { |task| plan(family, task, side:) }
      both = plan(family, pair.first, side:, also: pair.drop(1))
      saved = one[:minutes] + two[:minutes] - both[:minutes]
      expect([family, pair, *broken(both), *(ids[one, two] - ids[both] - %w[capacitor_new])]).to eq [family, pair]
      expect(both.reasons.find { |reason| reason.rule == "plan.joint" }.value).to eq saved
      expect(saved).to be >= both[:safety_gate].sum { |step| step[:minutes] } - 1
    end
  end

  it "refuses further tasks that are none, or not in the family's plan" do
    expect(plan(also: ["cleaning"])[:steps].map { |step| step[:id] }).to include "foamed", "motor_out_ring"
    expect(plan(also: "cleaning").at("also")).to match(/must be a list of .*cleaning/)
    expect(plan(also: ["tidying"]).at("also")).to match(/must be a list of .*cleaning/)
    expect(plan(also: ["grommet"]).at("also")).to match(/not in this plan/)
    expect(plan(also: %w[cleaning cleaning evaporator_fan_motor])[:minutes]).to eq plan(also: ["cleaning"])[:minutes]
  end

  it "covers every family and what its fans can need" do
    expect(described_class.families).to match_array Fenbo::Knowledge.table("families").keys
    tasks = described_class.families.to_h { |family| [family, Fenbo::WorkPlan::Recipe.of(family).tasks.keys] }
    Fenbo::Knowledge.table("families").each do |family, row|
      expect(tasks[family]).to include("cleaning", *row["sides"].map { |side| "#{side}_fan_motor" })
      expect(tasks[family].include?("fan_blade")).to be(family != "rack_condenser")
    end
    expect(tasks.select { |_, list| list.include?("grommet") }.keys).to eq %w[household_top_freezer]
    expect(tasks.select { |_, list| list.include?("conversion_kit") }.keys).to eq %w[display_case]
    expect(plan("display_case", "grommet").at("task")).to match(/not in this plan/)
    expect(plan("cold_shop").at("family")).to match(/walk_in_cooler/)
  end

  it "takes as long as practitioners say on the usual unit" do
    minutes = {"household_top_freezer" => 45, "household_bottom_freezer" => 50, "household_side_by_side" => 70,
               "reach_in" => 60, "display_case" => 90, "walk_in_cooler" => 45}
    expect(minutes.keys.to_h { |family| [family, plan(family)[:minutes]] }).to eq minutes
    expect(%w[remote_condenser fan_bank_condenser rack_condenser].map { |family|
      plan(family, "condenser_fan_motor")[:minutes]
    }).to eq [75, 90, 60]
    expect(plan[:minutes_range]).to eq [34, 68]
  end

  it "follows the unit's features" do
    ids = ->(family, task, **features) do
      plan(family, task, features.transform_keys(&:to_s))[:steps].map { |step| step[:id] }
    end
    expect(ids["walk_in_cooler", "evaporator_fan_motor", hub: "nut"])
      .to include("blade_off_nut", "blade_off_nut_back").and(satisfy { |list| !list.include?("blade_off") })
    expect(ids["household_bottom_freezer", "evaporator_fan_motor"].then { |list|
      list.index("side_covers_off") < list.index("cover_off")
    }).to be true
    expect(ids["walk_in_cooler", "fan_blade", defrost_heaters: false]).not_to include("heaters_locked", "delay_seen")
    expect(ids["household_machine_bay", "condenser_fan_motor", joined: "splice"]).to include "splice_cut_back"
    expect(plan("walk_in_cooler", "evaporator_fan_motor", {"flammable" => true})[:safety_gate].map { |step| step[:id] })
      .to include "ventilate"
    expect(plan("walk_in_cooler", "fan_blade", {"hub" => "glue"}).at("features.hub")).to match(/set_screw, nut/)
  end

  it "keeps the sides of a unit apart" do
    cleaned = ->(side) { plan("reach_in", "cleaning", {}, side:)[:steps].map { |step| step[:id] } }
    expect(cleaned["evaporator"]).to include("drain_flushed", "food_out")
    expect(cleaned["condenser"]).to include("grille_off").and(satisfy { |list| !list.include?("drain_flushed") })
    expect(plan("reach_in", "cleaning", {}, side: "roof").at("side")).to match(/evaporator/)
  end

  it "adds what an adaptation or a kit brings, with its minutes" do
    with = plan("display_case", "conversion_kit", {},
      extra_work: ["bushing", {"text" => "Bend the plate", "minutes" => 12}, "bushing"])
    expect(with[:minutes]).to eq 90 + 5 + 12 + 5
    expect(with[:steps].select { |step|
      step[:id].start_with?("extra_")
    }.map { |step| step.slice(:id, :minutes, :phase) }).to eq [
      {id: "extra_bushing", minutes: 5, phase: "exchange"}, {id: "extra_kit", minutes: 12, phase: "exchange"},
      {id: "extra_bushing_2", minutes: 5, phase: "exchange"}
    ]
    # What the part says of its own volts stands for the plan's step, and for its question.
    ids = ->(*extra) {
      plan("fan_bank_condenser", "condenser_fan_motor", {"high_voltage" => true}, extra_work: extra)[:steps]
        .map { |step| step[:id] } & %w[strap_set strap_low extra_voltage]
    }
    expect([ids.call, ids.call("voltage")]).to eq [["strap_set"], ["extra_voltage"]]
    asked = ->(*extra) {
      described_class.features_for("fan_bank_condenser", ["condenser_fan_motor"], "condenser",
        extra).key?("high_voltage")
    }
    expect([asked.call, asked.call("voltage")]).to eq [true, false]
    expect(plan("display_case", "conversion_kit", {},
      extra_work: ["weld"]).at("extra_work.0")).to match(/none of splice/)
    expect(plan("display_case", "conversion_kit", {}, extra_work: "bushing").at("extra_work")).to match(/list/)
  end
end
