# frozen_string_literal: true

RSpec.describe Fenbo::WorkPlan::Plan do
  def plan(family = "walk_in_cooler", task = "evaporator_fan_motor", features = {})
    described_class.call({"family" => family, "task" => task, "features" => features})
  end

  [
    %w[walk_in_cooler evaporator_fan_motor],
    %w[walk_in_cooler fan_blade],
    %w[remote_condenser condenser_fan_motor],
    %w[remote_condenser fan_blade]
  ].each do |family, task|
    it "puts back in reverse what #{task} on a #{family} took apart, each once" do
      steps = plan(family, task)[:steps]
      apart = steps.select { |step| step[:phase] == "apart" }.map { |step| step[:id] }
      reversed = steps.select { |step| step[:phase] == "back" }.map { |step| step[:reverses] }
      expect(reversed).to eq(apart.reverse & reversed)
      expect(reversed.uniq).to eq reversed
      expect(steps.map { |step| step[:phase] }.uniq).to eq %w[safe apart exchange back prove]
    end
  end

  it "asks for as many fasteners back as came out, and hardens for flammables" do
    steps = plan[:steps]
    out = steps.select { |step| step[:phase] == "apart" && step[:fasteners] }.map { |step| step[:id] }
    expect(
      steps.select { |step| step[:phase] == "back" && step[:fasteners] }.map { |step| step[:reverses] }
    ).to match_array out
    expect(
      plan("walk_in_cooler", "evaporator_fan_motor", {"flammable" => true})[:safety_gate].map { |step| step[:id] }
    ).to include "ventilate"
    expect(plan[:safety_gate].map { |step| step[:id] }).not_to include "ventilate"
  end

  it "follows the unit's features" do
    ids = ->(**features) do
      plan("walk_in_cooler", "evaporator_fan_motor", features.transform_keys(&:to_s))[:steps].map { |step| step[:id] }
    end
    expect(ids[hub: "nut"]).to include("blade_off_nut").and include("blade_off_nut_back")
    expect(ids[hub: "nut"]).not_to include "blade_off"
  end

  it "refuses what it has no plan for" do
    expect(plan("reach_in").at("family")).to match(/no work plan yet/)
    expect(plan("walk_in_cooler", "grommet").at("task")).to match(/not in this plan/)
    expect(plan("walk_in_cooler", "fan_blade", {"hub" => "glue"}).at("features.hub")).to match(/set_screw, nut/)
  end
end
