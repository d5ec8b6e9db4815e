# frozen_string_literal: true

require "spec_helper"

# Which fault an entry, a fan or a new decision is about.
RSpec.describe Fenbo::JobFile::Faults, :made_jobs do
  it "lists what was decided or chosen, the fans in the unit's order and the unit last" do
    job = made_job(
      decisions: [decided("drain_blocked", fault: "unit.1"), decided("bearing_worn", fault: "evaporator-2.1")],
      part_choices: [chosen(fault: "evaporator-1.1"), chosen(fault: "evaporator-1.2", superseded_at: at(50))]
    )
    expect(job.faults.map(&:key)).to eq %w[evaporator-1.1 evaporator-2.1 unit.1]
  end

  it "counts ten faults of one place by their number, not by their spelling" do
    keys = [2, 10, 1].map { |number| "unit.#{number}" }
    job = made_job(decisions: keys.map { |key| decided("door_seal_leaking", fault: key) })
    expect(job.faults.map(&:key)).to eq %w[unit.1 unit.2 unit.10]
  end

  it "knows the places of a unit, its faults and nothing else" do
    job = made_job
    told = %w[evaporator-2 unit evaporator-2.3 unit.4 evaporator-3 condenser-1.1 evaporator-2.x roof]
    expect(told.select { |key| job.place?(key) }).to eq %w[evaporator-2 unit evaporator-2.3 unit.4]
  end

  it "takes a fan's bare key for the last fault there, and after a failed repair for the next" do
    first, second = decided("mount_loose"), decided("bearing_worn", fault: "evaporator-1.2", minutes: 20)
    expect(made_job.fault_at("evaporator-1").key).to eq "evaporator-1.1"
    expect(made_job(decisions: [first, second]).fault_at("evaporator-1").key).to eq "evaporator-1.2"
    failed = made_job(decisions: [first, disproved(second)])
    expect(failed.fault_at("evaporator-1").key).to eq "evaporator-1.3"
    expect(failed.fault_at("evaporator-1.2")).to be_disproved
    expect(failed.faults.map(&:open?)).to eq [true, false]
  end

  it "finds the unit's fault by the fan at which it was seen" do
    seal = decided("door_seal_leaking", fault: "unit.1").with(fan: "evaporator-2")
    job = made_job(decisions: [seal])
    expect(job.fault_at("evaporator-2")).to have_attributes(key: "unit.1", place: "The unit")
    expect(job.fault_at("evaporator-1").key).to eq "evaporator-1.1"
    expect(job.faults.first.fan.key).to eq "evaporator-2"
  end

  it "names a fault by its fan alone where it is the one in hand there" do
    job = made_job(decisions: [decided("mount_loose"), decided("bearing_worn", fault: "evaporator-1.2")])
    expect(job.faults.map { |fault| job.short_key(fault) }).to eq %w[evaporator-1.1 evaporator-1]
  end

  it "lays entries of older files, without fault or fan, to the fan in hand" do
    old = decided("bearing_worn").with(fan: nil, fault: nil)
    job = made_job(fan: "evaporator-2", decisions: [old])
    expect(job.faults.map { |fault| [fault.key, fault.decision] }).to eq [["evaporator-2.1", old]]
  end

  it "decides anew about the same cause, beside it where asked, and on the unit what is the unit's" do
    job = made_job(decisions: [decided("mount_loose"), decided("door_seal_leaking", fault: "unit.1")])
    told = {
      ["mount_loose"] => "evaporator-1.1", ["bearing_worn"] => "evaporator-1.1", ["door_seal_leaking"] => "unit.1",
      ["drain_blocked"] => "unit.2"
    }
    expect(told.keys.to_h { |causes| [causes, job.fault_to_decide("evaporator-1", causes)] }).to eq told
    expect(job.fault_to_decide("evaporator-1", ["bearing_worn"], besides: true)).to eq "evaporator-1.2"
    expect(job.fault_to_decide("evaporator-2", ["bearing_worn"], besides: true)).to eq "evaporator-2.1"
  end

  it "stands at the next station that somebody's decisions want, or stays where it is further" do
    stands = ->(*actions, station: "match", done: []) do
      decisions = actions.each_with_index.map { |action, index|
        decided((action == "clean") ? "evaporator_dirty" : "bearing_worn", fault: "evaporator-#{index + 1}.1", action:)
      }
      stations = done.map { |one| Fenbo::JobFile::StationDone.new(station: one, state: "done") }
      made_job(decisions:, station:, stations:).station_decided
    end
    expect([stands["replace"], stands["repair"], stands["clean"], stands["wait"]]).to eq %w[match match fit prove]
    expect([stands["wait", "clean"], stands["wait", "replace"]]).to eq %w[fit match]
    expect(stands["replace", station: "prove"]).to eq "match"
    expect(stands["wait", "replace", station: "fit", done: %w[decide match]]).to eq "fit"
    expect(stands["replace", station: "decide", done: %w[look]]).to eq "match"
    # What was bought for a repair that did not prove holds nothing back that wants no part.
    expect(stands["wait", station: "match", done: %w[match source fit]]).to eq "prove"
    expect(stands["clean", station: "match", done: %w[match source]]).to eq "fit"
    # Nothing stands decided: all was taken back.
    expect(stands[station: "prove", done: %w[decide match source fit]]).to eq "decide"
  end

  it "keeps what was read before a repair failed to that repair, and what came after for the next" do
    early, late = read("amps", "under", phase: "after", minutes: 40),
read("amps", "within", phase: "after", minutes: 90)
    failed = disproved(decided("mount_loose"), minutes: 60)
    job = made_job(decisions: [failed, decided("bearing_worn", fault: "evaporator-1.2", minutes: 70)],
      readings: [read("amps", "over", minutes: 5), early, late])
    first, second = job.faults
    expect([first.after, second.after, first.before]).to eq [early, late, second.before]
    expect(job.since_retest(job.readings, "evaporator-1")).to eq [late]
    expect(job.since_retest(job.readings, "evaporator-2")).to eq job.readings
  end

  it "judges readings after the work by the motor that waits, and once fitted by the fan's own" do
    fan = made_unit.fans.first
    waits = made_job(part_choices: [chosen(motor: made_part("BR-S16-230-L"))])
    expect(waits.plate_after(fan).part_no).to eq "BR-S16-230-L"
    fitted = made_job(part_choices: [chosen(motor: made_part("BR-S16-230-L"), fitted_at: at(50))])
    expect(fitted.plate_after(fan)).to eq fan.motor
    expect(waits.plate_after(made_unit.fans.last).part_no).to eq "BR-S12-230-L"
  end

  describe Fenbo::JobFile::Fault do
    def standing(**entries) = made_job(**entries).faults.first

    it "stands as far as somebody confirmed it" do
      decision = decided("bearing_worn")
      told = {
        "decided" => {decisions: [decision]},
        "chosen" => {decisions: [decision], part_choices: [chosen]},
        "ordered" => {decisions: [decision], part_choices: [chosen(offer: {"supplier" => "Tarn counter"})]},
        "fitted" => {decisions: [decision], part_choices: [chosen(offer: {}, fitted_at: at(60))]},
        "watched" => {decisions: [decided("mount_loose", action: "wait")], part_choices: [chosen]}
      }
      expect(told.transform_values { |entries| standing(**entries).standing }).to eq told.keys.to_h { |one| [one, one] }
    end

    it "wants proof where hands were laid on it, a part where one is to be bought" do
      rows = %w[replace repair clean wait].map do |action|
        fault = standing(decisions: [decided("evaporator_dirty", fault: "unit.1", action:)])
        [action, fault.worked_on?, fault.watched?, fault.without_part?]
      end
      expect(rows).to eq [
        ["replace", true, false, false], ["repair", true, false, false], ["clean", true, false, true],
        ["wait", false, true, true]
      ]
      failed = standing(decisions: [disproved(decided("mount_loose", action: "repair"))])
      expect([failed.worked_on?, failed.hands_on?, failed.without_part?]).to eq [false, true, false]
    end
  end

  it "goes on to its part, its work or the handover, by what was decided" do
    onward = ->(cause, action, **more) {
      made_job(decisions: [decided(cause, action:)], **more).fault_at("evaporator-1").onward
    }
    expect([onward["bearing_worn", "replace"], onward["contactor_failed", "repair"], onward["blade_iced", "repair"],
      onward["blade_fouled", "clean"], onward["mount_loose", "wait"]]).to eq %w[match match fit fit hand_over]
    expect(onward["bearing_worn", "replace", part_choices: [chosen]]).to eq "source"
    expect(onward["bearing_worn", "replace", part_choices: [chosen(offer: {"offer" => "van"})]]).to eq "fit"
  end
end
