# frozen_string_literal: true

require "spec_helper"

# What has to be seen before a job is proved, and what counts as having seen it.
RSpec.describe Fenbo::Proof::Checklist, :made_jobs do
  def proof(**entries) = described_class.new(made_job(**entries))

  def tick(check, minutes: 80)
    Fenbo::JobFile::ProofCheck.new(check:, by: person, done_at: at(minutes))
  end

  let(:worn) { decided("bearing_worn") }

  it "asks for the amps of every motor that was worked on, and proves by a reading in its window" do
    missing = ->(**entries) { proof(decisions: [worn], **entries).missing.grep(/Amps after/) }
    expect(missing.call).to eq ["Amps after the work, inside the window"]
    # Two faults of one fan want one reading.
    expect(missing.call(decisions: [worn, decided("evaporator_dirty", fault: "unit.1", action: "clean")
      .with(fan: worn.fan)])).to eq missing.call
    verdicts = %w[within not_by_amps over under none locked cannot_tell].to_h { |verdict|
      [verdict, missing.call(readings: [read("amps", verdict, phase: "after", minutes: 40)]).empty?]
    }
    expect(verdicts.select { |_, proved| proved }.keys).to eq described_class::PROVING
  end

  it "names the fan where two were worked on, and the turns that would settle a reading" do
    question = {
      "motor" => {"family" => "shaded_pole", "nameplate_amps" => 0.43, "nameplate_volts" => 230, "turning" => true},
      "reading" => {"amps" => [0.5], "volts" => [230], "turns" => 1,
                    "meter" => {"percent" => 3.0, "counts" => 10, "resolution" => 0.01}}
    }
    unsure = asked("amps", question, phase: "after", minutes: 40)
    two = proof(decisions: [worn, decided("winding_open", fault: "evaporator-2.1")], readings: [unsure])
    expect(unsure.verdict).to eq "cannot_tell"
    turns = unsure.answer.turns_needed
    expect(two.missing.grep(/Amps/)).to eq [
      "Amps after the work of fan 1, inside the window: wrap #{turns} turns and read again",
      "Amps after the work of fan 2, inside the window"
    ]
  end

  it "takes a pull-down on course for a box that is falling, and no other" do
    falls = ->(verdict) {
      proof(decisions: [worn], readings: [read("pulldown", verdict, phase: "after", minutes: 40)]).done?("falling")
    }
    expect(%w[on_course stalls_above rising too_early].select(&falls)).to eq ["on_course"]
  end

  it "tells the first fans of a one-piece unit's sides apart" do
    both = proof(unit: made_unit(family: "reach_in", fans: %w[evaporator-1 condenser-1]),
      decisions: [worn, decided("winding_open", fault: "condenser-1.1")])
    expect(both.missing.grep(/Amps/)).to eq %w[evaporator condenser].map { |side|
      "Amps after the work of #{side} fan 1, inside the window"
    }
  end

  it "asks after what was decided along with the first cause, until its own work has seen it" do
    both = decided("bearing_worn", "evaporator_dirty")
    asks = ->(**entries) { proof(**entries).missing.grep(/light comes/) }
    expect(asks.call(decisions: [worn])).to be_empty
    expect(asks.call(decisions: [both])).to eq ["Coil clean through: light comes from the other side"]
    expect(asks.call(decisions: [both], steps: [stepped("light_through", task: "cleaning")])).to be_empty
    expect(asks.call(decisions: [both], proof_checks: [tick("coil_clean")])).to be_empty
    # A fault beside it that has nothing to do with a coil does not ask for the step as well.
    other = decided("winding_open", fault: "evaporator-2.1")
    expect(asks.call(decisions: [both, other], steps: [stepped("light_through", task: "cleaning")])).to be_empty
  end

  it "knows of every cause but those that amps prove how it is seen to be mended" do
    asked = described_class.all.values.flat_map { |row| row.fetch("causes", []) }
    motors = Fenbo::Diagnosis::Cause.all.values.select { |cause| cause.part == "motor" }.map(&:id)
    expect(Fenbo::Diagnosis::Cause.all.keys - asked - motors).to eq []
  end

  it "does not ask a job closed earlier for what came into the list later" do
    since = described_class.all.fetch("coil_clean").fetch("since")
    asks = ->(at) { proof(decisions: [decided("evaporator_dirty")], closed_at: at).checks.key?("coil_clean") }
    day = Time.parse("#{since} 12:00 UTC")
    expect([nil, day, day - 86_400].map(&asks)).to eq [true, true, false]
    # What is asked for by the work too, by its cause no earlier than that.
    sagged = [decided("blade_rubbing", "mount_loose", action: "repair")]
    since = Time.parse("#{described_class.all.fetch("no_new_noise").fetch("since")} 12:00 UTC")
    keys = ->(at, decisions) { proof(decisions:, closed_at: at).checks.keys & %w[clear_all_round no_new_noise] }
    expect([nil, since - 86_400].map { |at| keys[at, sagged].size }).to eq [2, 0]
    expect(keys[since - 86_400, [worn]].size).to eq 2
  end

  it "says which repair its own reading disproves" do
    over = read("amps", "over", phase: "after", minutes: 40)
    told = proof(decisions: [worn, decided("winding_open", fault: "evaporator-2.1")], readings: [over])
    expect(told.failed.map(&:key)).to eq ["evaporator-1.1"]
  end

  it "takes a step of the work for having seen it, where every fault worked on has one done" do
    id, row = described_class.all.find { |_, one| one["steps"] }
    step = row["steps"].first
    told = ->(*steps, faults: [worn]) { proof(decisions: faults, steps:).seen_at_work(id) }
    mine = stepped(step)
    expect(told.call(mine)).to eq mine
    expect(told.call(stepped(step, skipped: true))).to be_nil
    both = [worn, decided("winding_open", fault: "evaporator-2.1")]
    expect(told.call(mine, faults: both)).to be_nil
    later = stepped(step, fault: "evaporator-2.1", minutes: 45)
    expect(told.call(mine, later, faults: both)).to eq later
  end

  it "asks anew for everything after a repair that did not prove" do
    failed = disproved(worn, minutes: 60)
    again = decided("mount_loose", fault: "evaporator-1.2", minutes: 70)
    ticks = [tick("covers_on", minutes: 50), tick("undone", minutes: 90)]
    told = proof(decisions: [failed, again], proof_checks: ticks,
      readings: [read("amps", "within", phase: "after", minutes: 55)])
    expect([told.done?("covers_on"), told.done?("undone"), told.done_by("undone")]).to eq [false, true, person]
    expect(told.missing.grep(/Amps/).size).to eq told.measured.size
    expect(told.worked_on.map(&:key)).to eq ["evaporator-1.2"]
  end

  it "lets a reading answer a check where it follows, and only the last one" do
    tool = "driven"
    id, = described_class.all.find { |_, one| one.dig("reading", "tool") == tool }
    told = ->(*verdicts) {
      readings = verdicts.each_with_index.map { |verdict, index|
        read(tool, verdict, phase: "after", minutes: 40 + index)
      }
      proof(decisions: [worn], readings:).done?(id)
    }
    expect([told.call("follows"), told.call("behind"), told.call("behind", "follows"), told.call("follows", "behind")])
      .to eq [true, false, true, false]
  end

  it "asks only after what was opened where hands were laid on nothing" do
    waits = proof(decisions: [decided("healthy", action: "wait")])
    expect([waits.looked_only?, waits.checks.keys, waits.measured]).to eq [true, %w[covers_on undone], []]
    done = proof(decisions: [decided("healthy", action: "wait")], proof_checks: [tick("covers_on"), tick("undone")])
    expect(done).to be_proved
    expect(proof).not_to be_looked_only
  end

  it "asks for neighbours where there are some, for speeds where the control has them" do
    one = ->(**changes) { proof(unit: made_unit(**changes), decisions: [worn]).checks.keys }
    expect(one.call(fans: %w[evaporator-1])).not_to include "neighbours"
    expect(one.call).to include "neighbours"
    ec = made_fan("evaporator-1").with(motors: [made_motor(family: "ec", control: "0_10v")])
    expect(one.call(fans: [ec, "evaporator-2"])).to include "speeds"
    expect(one.call).not_to include "speeds"
  end

  it "asks of what was put right beside the fans no more than whether it is" do
    set = made_job(decisions: [decided("setpoint_wrong", fault: "unit.1", action: "repair")])
    expect(described_class.new(set).checks.keys).to match_array %w[covers_on undone setting_right falling]
    expect(described_class.new(set).measured).to be_empty
    rubbing = made_job(decisions: [decided("blade_rubbing", action: "repair")])
    expect(described_class.new(rubbing).checks.keys).to include "clear_all_round", "no_new_noise", "blade_right"
  end

  it "says of each cause what alone tells that it is mended" do
    both = decided("blade_rubbing", "mount_loose", action: "repair")
    ticks = %w[clear_all_round no_new_noise blade_right mount_firm].map { |id| tick(id) }
    told = proof(decisions: [both], proof_checks: ticks)
    expect(%w[blade_rubbing mount_loose].map { |cause| told.mended(cause) })
      .to eq ["Blade whole, the right one, tight at its seat", "Mount firm, every bolt tight"]
    turned = proof(decisions: [decided("rotation_reversed", action: "repair")], proof_checks: [tick("right_way")])
    expect(turned.mended("rotation_reversed")).to eq "Right way round, by the air it moves"
  end

  it "asks once for the defrost that a plan saw" do
    heater = decided("defrost_failed", fault: "unit.1")
    seen = stepped("defrost_seen", task: "defrost_heater", fault: "unit.1")
    expect(described_class.new(made_job(decisions: [heater])).done?("defrost_ends")).to be false
    expect(described_class.new(made_job(decisions: [heater], steps: [seen])).done?("defrost_ends")).to be true
  end
end
