# frozen_string_literal: true

require "spec_helper"

# What no schema can say of a written plan: whether it can be worked, and reversed.
RSpec.describe Fenbo::WorkPlan::Check do
  let(:family) { "remote_condenser" }

  # @yield [table] the family's plan, to be spoilt
  def faults(shared: nil)
    real = Fenbo::Knowledge.method(:table)
    copy = ->(name) { Marshal.load(Marshal.dump(real.call(name))) }
    mine, ours = copy[family], copy["shared_steps"]
    yield mine, ours
    allow(Fenbo::Knowledge).to receive(:table) { |name|
      {family => mine, "shared_steps" => ours}.fetch(name) { real.call(name) }
    }
    described_class.new(family, real.call("cautions").keys).faults
  end

  it "has nothing against a plan as it ships" do
    expect(faults { |_| }).to eq []
  end

  {
    "a step that stands there twice" => [
      ->(table, _) { table["apart"] << table["apart"].first }, /condenser_fan_motor: panel_off stands twice/
    ],
    "a caution that is not written" => [
      ->(table, _) { table["apart"].first["caution"] = ["dragons"] }, "caution: dragons does not exist"
    ],
    "a caution on the way back" => [
      ->(table, _) { table["apart"].first["reverse"]["caution"] = ["dragons"] }, "caution: dragons does not exist"
    ],
    "a feature that nobody asks, or that is never so" => [
      ->(table, _) { table["apart"].first["only_if"] = {"wings" => true, "mount" => "glue"} },
      "features: wings does not exist", "features: mount is never glue"
    ],
    "a task that is none" => [
      ->(table, _) {
        table["apart"].first["only_for"] = ["exorcism"]
        table["tasks"]["blessing"] = nil
      }, "tasks: exorcism does not exist", "tasks: blessing does not exist"
    ],
    "a measure that is not written" => [
      ->(table, _) { table["apart"].first["measure"] = "luck" }, "measure: luck does not exist"
    ],
    "a run of steps that no plan shares" => [
      ->(table, _) { table["gate"] << {"use" => "lucky_charm"} }, "use: lucky_charm does not exist"
    ],
    "a meter on what nobody says is live" => [
      ->(table, _) {
        table["prove"].find { |one| one["reads"] }["caution"] = []
      }, "amps_every_leg: reads amps without the caution live"
    ],
    "what comes off and never goes back on" => [
      ->(table, _) { table["apart"].first.delete("reverse") }, "panel_off: removes panel and is never put back"
    ],
    "a picture shown that was never taken" => [
      ->(table, _) { table["apart"].first["reverse"]["shows"] = "portrait" }, "shows: portrait does not exist"
    ],
    "steps that take longer than practitioners do" => [
      ->(table, _) { table["tasks"]["condenser_fan_motor"] = 5 },
      /condenser_fan_motor: the steps add up to \d+ min, practitioners take 5/
    ]
  }.each do |what, (spoilt, *told)|
    it "names #{what}" do
      expect(faults(&spoilt).map { |one| one.delete_prefix("remote_condenser.yml ") }).to include(*told)
    end
  end

  it "never lets power come before the locks are off, nor the locks before all is counted" do
    turned = faults do |table, shared|
      prove = ([table["prove"]] + shared["runs"].values).find { |rows| rows.any? { |one| one["id"] == "locks_off" } }
      prove.reverse!
    end
    expect(turned.grep(/has to come before/)).not_to be_empty
  end
end
