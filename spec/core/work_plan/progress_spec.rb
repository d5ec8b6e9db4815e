# frozen_string_literal: true

require "spec_helper"

# Where a work plan stands: what is done, what waits for what, what is out and not back yet.
RSpec.describe Fenbo::WorkPlan::Progress, :made_jobs do
  let(:task) { "evaporator_fan_motor" }
  let(:gate) { %w[fans_locked heaters_locked proved_dead] }

  def job(steps, unit: made_unit, **more)
    made_job(unit:, steps:, decisions: [decided("bearing_worn")], **more)
  end

  # Steps done, one a minute after half an hour; fasteners by name.
  def done(*ids, from: 30, **fasteners)
    (ids + fasteners.keys.map(&:to_s)).each_with_index.map do |id, index|
      stepped(id, task:, minutes: from + index, fasteners: fasteners[id.to_sym])
    end
  end

  def plan(*steps, now: at(60), **more)
    described_class.of(job(steps.flatten, **more), now:)
  end

  def step(id, progress) = progress.step(id)

  it "opens nothing before it is proved dead, and names what is first" do
    none = plan
    expect([none.next_step.id, none.safe?, none.started?, none.done_count]).to eq ["fans_locked", false, false, 0]
    expect(none.waits_for(step("guard_off", none)).id).to eq "fans_locked"
    expect(none.open?(step("heaters_locked", none))).to be true
    locked = plan(done("fans_locked", "heaters_locked"))
    expect([locked.waits_for(step("blade_off", locked)).id, locked.next_step.id]).to eq %w[proved_dead proved_dead]
    safe = plan(done(*gate))
    expect([safe.safe?, safe.open?(step("blade_off", safe)), safe.next_step.phase]).to eq [true, true, "apart"]
  end

  it "asks for the gate anew after a working day, but not once the locks are off" do
    hours = Fenbo::Limits.default["work_plan.gate_hours"]
    tomorrow = at(30 + hours * 60 + 1)
    stale = plan(done(*gate, guard_off: 4), now: tomorrow)
    expect([stale.safe?, stale.next_step.id, stale.waits_for(step("blade_off", stale)).id])
      .to eq [false, "fans_locked", "fans_locked"]
    expect(plan(done(*gate, guard_off: 4), now: nil)).to be_safe
    closed = plan(done(*gate, "locks_off"), now: tomorrow)
    expect([closed.unlocked?, closed.safe?]).to eq [true, true]
  end

  it "keeps the power off until what came out is counted back and the locks are off" do
    apart = plan(done(*gate, guard_off: 4, blade_off: 2))
    expect(apart.waits_for(step("counted", apart)).phase).to eq "back"
    backs = apart.steps.select { |one| one.phase == "back" && one.fasteners }.map(&:id)
    back = plan(done(*gate, "guard_off", "blade_off", *backs))
    waits = %w[counted locks_off power_on].to_h { |id| [id, back.waits_for(step(id, back))&.id] }
    expect(waits).to eq("counted" => nil, "locks_off" => "counted", "power_on" => "locks_off")
  end

  it "counts every screw in its place of the tray, and what is still out" do
    progress = plan(done(*gate, guard_off: 4, blade_off: 2, guard_off_back: 3))
    expect(progress.tray.out).to eq 3
    expect(progress.tray.places.map { |one, lies| [one.id, lies] }).to eq [["guard_off", 1], ["blade_off", 2]]
    expect(progress.tray.taken_out(step("guard_off_back", progress))).to eq 4
    expect(progress.tray.taken_out(step("motor_out_ring_back", progress))).to be_nil
    back = {guard_off: 4, guard_off_back: 4}
    expect([progress, plan(done(*gate)), plan(done(*gate, **back))].map { |one|
      one.tray.all_back?
    }).to eq [false, false, true]
  end

  it "knows which parts are off and lie aside" do
    household = made_unit(family: "household_top_freezer", features: {"ice_maker" => true})
    whole = plan(unit: household)
    removing = whole.steps.select(&:removes)
    expect(removing).not_to be_empty
    first, *others = removing.map(&:id)
    off = plan(done(*whole.plan.gate.map(&:id), *[first, others.first].compact), unit: household)
    expect(off.tray.parked.map(&:id)).to eq [first, others.first].compact
    on = plan(done(*whole.plan.gate.map(&:id), first, "#{first}_back"), unit: household)
    expect(on.tray.parked).to eq []
  end

  it "holds the hub against the seat that was chosen, else against where the old one sat" do
    seat = ->(depth, **choice) {
      steps = done(*gate) + [stepped("blade_depth", task:, measured: 18.0),
        stepped("blade_off_back", task:, measured: depth)]
      progress = plan(steps, part_choices: choice.empty? ? [] : [chosen(**choice)])
      measured = progress.steps.find { |one| one.measure&.fetch("what", nil) == "new_seat" } or next :no_seat
      progress = plan(steps.map { |one| (one.step == "blade_off_back") ? one.with(step: measured.id) : one },
        part_choices: choice.empty? ? [] : [chosen(**choice)])
      [progress.sought(measured).value, progress.off(measured)&.round(2), progress.chosen_seat(measured)&.seat_mm]
    }
    expect(seat[18.1]).to eq [18.0, nil, nil]
    expect(seat[21.0]).to eq [18.0, 3.0, nil]
    expect(seat[21.0, seat_mm: 20.9]).to eq [20.9, nil, 20.9]
    expect(seat[18.0, seat_mm: 20.9]).to eq [20.9, -2.9, 20.9]
  end

  it "holds a new capacitor against the plate, within its tolerance, and asks for nothing where no plate says" do
    fan = ->(microfarads) {
      made_fan("condenser-1").with(motors: [made_motor(family: "psc", capacitor_uf: microfarads)])
    }
    off = ->(measured, printed: 5) {
      progress = described_class.of(made_job(unit: made_unit(fans: [fan[printed]], family: "remote_condenser"),
        decisions: [decided("bearing_worn", fault: "condenser-1.1")]), fault: "condenser-1")
      step = progress.steps.find { |one| one.measure&.fetch("what", nil) == "capacitor" }
      progress.off(step, measured)&.round(2)
    }
    expect([off[4.8], off[17.0], off[4.6], off[nil], off[17.0, printed: nil]]).to eq [nil, 12.0, -0.4, nil, nil]
  end

  it "asks a new heater for V² / W within a tenth, and a drain tube for its gap" do
    heater = Fenbo::JobFile::CatalogueSpare.new(part_no: "HT-400", kind: "defrost_heater",
      columns: {"volts" => 230.0, "watts" => 400.0})
    off = ->(measured, spare = heater) {
      progress = described_class.of(made_job(decisions: [decided("defrost_failed", fault: "unit.1")],
        part_choices: [chosen(fault: "unit.1", motor: nil, spare:)]), fault: "unit.1")
      progress.off(progress.step("heater_compared"), measured)&.round(1)
    }
    expect([off[132], off[146], off[17], off[17, heater.with(columns: {})]]).to eq [nil, 13.8, -115.3, nil]
    bay = made_unit(family: "household_machine_bay", fans: [made_fan("condenser-1")],
      features: {"held_by" => "end_bracket"})
    machine = described_class.of(made_job(unit: bay, decisions: [decided("bearing_worn", fault: "condenser-1.1")]),
      fault: "condenser-1")
    tube = machine.steps.find { |one| one.measure&.fetch("what") == "drain_gap" }
    expect([10, 15, 35, 40].map { |gap| machine.off(tube, gap) }).to eq [-15, nil, nil, 15]
  end

  it "melts the ice first where the coil was last seen closed by it" do
    steps = ->(*findings, cause: "defrost_failed") {
      described_class.of(made_job(unit: made_unit(family: "display_case", fans: ["evaporator-1"]), findings:,
        decisions: [decided(cause, fault: "unit.1")]), fault: "unit.1").steps.map(&:id)
    }
    iced = found("frost_pattern", "even_blocked")
    expect(steps[iced].each_cons(2)).to include %w[ice_melted heater_out]
    [[], [iced, found("frost_pattern", "clear", minutes: 5)]].each do |findings|
      expect(steps[*findings]).not_to include "ice_melted"
    end
    expect(steps[found("coil_through_light", "iced")]).to include "ice_melted"
  end

  it "keeps what each fault and task did apart, and old files' steps with the fan in hand" do
    mine, old = done("guard_off").first, stepped("blade_off", task: nil, fault: nil)
    others = [stepped("connector_off", task:, fault: "evaporator-2.1"), stepped("guard_off", task: "contactor")]
    expect(plan(mine, old, others).steps.select { |one| plan(mine, old, others).done(one) }.map(&:id))
      .to eq %w[guard_off blade_off]
  end

  it "goes on after a step, and ends when all is done" do
    whole = plan
    ids = whole.steps.map(&:id)
    nearly = plan(done(*(ids - [ids.last, ids[4]])))
    expect([nearly.after(step(ids[2], nearly)).id, nearly.after(step(ids[4], nearly)).id]).to eq [ids[4], ids.last]
    expect(nearly.minutes_left).to eq [ids[4], ids.last].sum { |id| step(id, nearly).minutes }
    all = plan(done(*ids))
    expect([all.finished?, all.next_step, all.after(step(ids.first, all)), all.minutes_left]).to eq [true, nil, nil, 0]
  end

  it "moves across what Match judged for the chosen part, and adds its work" do
    extra = [{"id" => "program", "text" => "Program it to the old speed", "minutes" => 7}]
    usual, judged = plan, plan(part_choices: [chosen(beside: {"extra_work" => extra, "transfers" => ["slinger"]})])
    expect(judged.transfers).to eq ["slinger"]
    expect(usual.transfers).not_to eq ["slinger"]
    expect(judged.minutes - usual.minutes).to eq 7
  end

  it "reads yesterday's answers about a unit by what the plan asks today" do
    features = described_class.of(job([])).answers.features
    asked = features.find { |_, row| row["choices"] }
    said = made_unit(features: {asked.first => asked.last["choices"].last, "flux_capacitor" => true})
    expect(plan(unit: said).answers.at(asked.first)).to eq asked.last["choices"].last
    strange = made_unit(features: {asked.first => "on the moon"})
    expect(plan(unit: strange).answers.at(asked.first)).to eq plan.answers.at(asked.first)
  end

  it "asks only what changes something about the work, until that is known" do
    heater = [decided("defrost_failed", action: "replace")]
    asked = ->(unit, decisions) { plan(unit:, decisions:).answers.then { |one| [one.asked.keys, one.open?] } }
    expect(asked[made_unit, heater]).to eq [%w[defrost_heaters floor_iced filter], true]
    told = {"filter" => true, "floor_iced" => false}
    expect(asked[made_unit(features: told), heater].last).to be false
    # What was told for a heater says nothing of how the hub of a motor is held.
    motor = [decided("bearing_worn", action: "replace")]
    expect(asked[made_unit(features: told), motor]).to match [include("hub", "mount", "filter"), true]
    expect(asked[made_unit(features: told.merge("hub" => "nut", "mount" => "rail")), motor].last).to be false
    bank = made_unit(family: "fan_bank_condenser", fans: %w[condenser-1])
    cleaned = [decided("condenser_dirty", action: "clean", fault: "condenser-1.1")]
    washed = plan(unit: bank, fan: "condenser-1", decisions: cleaned)
    expect([washed.task, washed.answers.asked, washed.answers.open?]).to eq ["cleaning", {}, false]
  end

  it "leads on to what was decided along with the first cause, each by its own plan once it is begun" do
    ticked = ->(ids) { ids.map { |id| stepped(id, task: "cleaning") } }
    two = ->(steps) { made_job(steps:, decisions: [decided("bearing_worn", "evaporator_dirty", "setpoint_wrong")]) }
    start = described_class.of(two[ticked[gate]], now: at(60))
    expect(start.along.map { |cause, one| [cause.id, one&.task] }).to eq [
      ["evaporator_dirty", "cleaning"], ["setpoint_wrong", nil]
    ]
    expect([start.joined, start.next_along.first.id]).to eq [[task], "evaporator_dirty"]
    cleaned = described_class.of(two[ticked[start.along.first.last.steps.map(&:id)]], now: at(60))
    expect([cleaned.next_along, cleaned.finished?]).to eq [nil, false]
    expect(described_class.of(made_job(decisions: [decided("bearing_worn", "evaporator_dirty", action: "wait")])).along)
      .to be_empty
  end

  # What the fan's faults are worked by, each with the tasks of its opening.
  def joined(fault: nil, task: nil, as: :part, **more)
    described_class.of(made_job(**more), fault:, task:, as:, now: at(60)).joined
  end

  it "does in one opening what was decided along with a cause, and what is a fault of its own at the same fan" do
    along = {decisions: [decided("bearing_worn", "evaporator_dirty")]}
    expect([joined(**along), joined(task: "cleaning", **along)]).to eq [[task, "cleaning"]] * 2
    expect(joined(task: "cleaning", as: :lead, **along)).to eq ["cleaning"]
    expect([true, false]).to eq(%i[lead part].map { |as|
      described_class.of(made_job(**along), task: "cleaning", as:).apart?
    })
    own = {decisions: [decided("bearing_worn"), decided("connection_burnt", fault: "evaporator-1.2", action: "repair")]}
    expect([joined(fault: "evaporator-1.2", **own), joined(fault: "evaporator-1.1", **own)])
      .to eq [[task, "connector"]] * 2
    unit = {decisions: [decided("bearing_worn"), decided("defrost_failed", fault: "unit.1").with(fan: "evaporator-1")]}
    expect(joined(fault: "unit.1", **unit)).to eq [task, "defrost_heater"]
    other = {decisions: [decided("bearing_worn"), decided("bearing_worn", fault: "evaporator-2.1")]}
    expect(joined(fault: "evaporator-2.1", **other)).to eq [task]
  end

  it "goes on by itself with what was begun so, and with what belongs to its own fault" do
    two = [decided("bearing_worn", "evaporator_dirty"), decided("connection_burnt", fault: "evaporator-1.2")]
    both = ->(steps) {
      [task, "cleaning"].map { |one| joined(fault: "evaporator-1.1", task: one, decisions: two, steps:) }
    }
    begun = ->(task, number = 1) { [stepped(gate.first, task:, fault: "evaporator-1.#{number}")] }
    expect(both[begun[task]]).to eq [[task, "cleaning", "connector"]] * 2
    expect(both[begun["cleaning"]]).to eq [[task, "connector"], ["cleaning"]]
    expect(both[begun["connector", 2]]).to eq [[task, "cleaning"]] * 2
    expect(joined(fault: "evaporator-1.2", decisions: two, steps: begun["connector", 2])).to eq ["connector"]
    along = [decided("bearing_worn"), decided("connection_burnt", "evaporator_dirty", fault: "evaporator-1.2")]
    expect(joined(fault: "evaporator-1.2", decisions: along, steps: begun["connector", 2]))
      .to eq %w[connector cleaning]
  end

  it "lets nothing wait for a part that only the other work needs" do
    two = [decided("bearing_worn", "evaporator_dirty"), decided("connection_burnt", fault: "evaporator-1.2")]
    take = ->(key, **offer) { chosen(fault: key, offer: offer.empty? ? nil : offer.transform_keys(&:to_s)) }
    tasks = ->(*part_choices) { joined(fault: "evaporator-1.1", decisions: two, part_choices:) }
    expect(tasks[]).to eq [task, "cleaning", "connector"]
    expect(tasks[take["evaporator-1.1"]]).to eq [task, "cleaning"]
    expect(tasks[take["evaporator-1.1", offer: "order"]]).to eq [task]
    expect(tasks[take["evaporator-1.1", offer: "order", here: true]]).to eq [task, "cleaning"]
    expect(tasks[take["evaporator-1.1", offer: "van"]]).to eq [task, "cleaning"]
    file = made_job(decisions: two, part_choices: [take["evaporator-1.1", offer: "order"]])
    whole = described_class.whole(file, [file.fault_at("evaporator-1.1")])
    expect(whole.map(&:joined)).to eq [[task, "cleaning"]]
  end

  it "does nothing along that was left out of what the customer agreed to" do
    yes = ->(option) {
      answer = Fenbo::JobFile::QuoteAnswer.new(uid: "yes", verdict: "approved", option:, name: "Odile", how: "told",
        at: at(20))
      options = {"good" => ["Evaporator fan 1"], "better" => ["Evaporator fan 1", "The unit"]}.map { |id, places|
        {"id" => id, "lines" => places.map { |place| {"what" => "labour", "cents" => 900, "place" => place} }}
      }
      Fenbo::JobFile::Quote.new(uid: "quote", version: 1, by: person, made_at: at(15), options:, tax_percent: 20.0,
        answers: [answer].compact)
    }
    decisions = [decided("bearing_worn"), decided("evaporator_dirty", fault: "unit.1", action: "clean")
      .with(fan: "evaporator-1")]
    expect(joined(decisions:, fault: "evaporator-1.1")).to eq [task, "cleaning"]
    expect(%w[good better].map { |option| joined(decisions:, fault: "evaporator-1.1", quotes: [yes[option]]) })
      .to eq [[task], [task, "cleaning"]]
  end

  it "keeps the ticks of an opening with the work that leads, and takes nobody in once its locks are off" do
    two = ->(*ids) { {decisions: [decided("bearing_worn", "evaporator_dirty")], steps: done(*ids)} }
    plan = described_class.of(made_job(**two[*gate, "foamed"]), task: "cleaning", as: :part, now: at(60))
    expect([plan.task, plan.done_count, plan.along.first.last]).to eq [task, 4, plan]
    expect(joined(**two[*gate, "locks_off"])).to eq [task]
    expect(joined(**two[*gate, "foamed", "locks_off"])).to eq [task, "cleaning"]
    swapped = ->(*ids) {
      joined(decisions: [decided("evaporator_dirty", "bearing_worn", action: "clean")], steps: done(*ids))
    }
    expect([swapped[*gate], swapped[*gate, "foamed"]]).to eq [["cleaning"], [task, "cleaning"]]
    again = disproved(decided("bearing_worn", "evaporator_dirty"))
    expect(joined(fault: "evaporator-1.1", decisions: [again], steps: done(*gate))).to eq [task, "cleaning"]
  end

  it "shuts the gate again when power comes back, and keeps power off while another fan is apart" do
    on = {state: "P", state_at: at(40)}
    expect([plan(done(*gate)), plan(done(*gate), **on), plan(done(*gate, from: 41), **on)].map(&:safe?))
      .to eq [true, false, true]
    expect(plan(done(*gate, "locks_off"), **on)).to be_safe
    whole = ->(other) {
      steps = plan.steps.map(&:id) - %w[locks_off power_on]
      plan(done(*steps.take_while { |id| id != "locks_off" }), other.map { |one| one.with(fault: "evaporator-2.1") })
    }
    waits = ->(*other) { whole[other].then { |one| one.waiting.elsewhere(step("locks_off", one))&.fan&.key } }
    expect([waits[], waits[*done("fans_locked")], waits[*done(guard_off: 4)]]).to eq [nil, nil, "evaporator-2"]
    expect(waits[*done(guard_off: 4, guard_off_back: 3)]).to be_nil
    expect(waits[*done(guard_off: nil).map { |one| one.with(skipped: true) }]).to be_nil
    expect(whole[done(guard_off: 4)].waiting.elsewhere(step("counted", plan))).to be_nil
  end

  it "has what a chosen part needs in the plan that it goes in by, and in no other" do
    extra = {"extra_work" => ["splice"]}
    take = chosen.with(beside: extra)
    motor, cleaning = [nil, "cleaning"].map { |one|
      described_class.of(made_job(decisions: [decided("bearing_worn", "evaporator_dirty")], part_choices: [take]),
        task: one)
    }
    expect([motor.task, motor.parts.lead, motor.parts.fitting, motor.plan.extra_minutes.positive?])
      .to eq [task, take, ["evaporator-1.1"], true]
    expect([cleaning.task, cleaning.parts.lead, cleaning.plan.extra_minutes]).to eq ["cleaning", nil, 0]
    # Decided to be cleaned first, with a motor along: its part has a plan all the same, and is bought.
    clean = decided("evaporator_dirty", "bearing_worn", action: "clean")
    file = made_job(decisions: [clean], part_choices: [take])
    first = described_class.of(file)
    expect([first.joined, first.parts.lead, first.parts.motor]).to eq [["cleaning", task], nil, take]
    expect(described_class.of(file, task:).parts.lead).to eq take
    expect([made_job(decisions: [clean]), made_job(decisions: [decided("evaporator_dirty", action: "clean")])]
      .map { |one| one.fault_at("evaporator-1").without_part? }).to eq [false, true]
  end

  it "takes apart nothing for what is mended by hand, until somebody takes a plan for it" do
    repaired = ->(*causes, **more) {
      described_class.of(made_job(decisions: [decided(*causes, action: "repair")], **more)).by_hand&.id
    }
    expect(repaired["blade_iced"]).to eq "blade_iced"
    expect(repaired["blade_iced", "defrost_failed"]).to eq "blade_iced"
    expect(repaired["connection_burnt"]).to be_nil
    expect(repaired["blade_iced", steps: [stepped("fans_locked", task: "fan_blade", minutes: 40)]]).to be_nil
  end

  it "plans for the part that was found to be it, else for the usual one" do
    planned = ->(*findings) {
      described_class.of(made_job(decisions: [decided("defrost_failed", fault: "unit.1")], findings:),
        fault: "unit.1").task
    }
    ohms = ->(outcome, **more) { found("defrost_heater_ohms", outcome, fan: nil, **more) }
    expect([planned[], planned[ohms["open"]], planned[ohms["good"]]])
      .to eq %w[defrost_heater defrost_heater defrost_termination]
    expect(planned[ohms["good", minutes: 5], ohms["open", minutes: 9]]).to eq "defrost_heater"
  end

  it "follows the plan that a cause names, whatever is done about it" do
    dirty = made_job(decisions: [decided("evaporator_dirty", fault: "unit.1", action: "repair")])
    expect(described_class.of(dirty, fault: "unit.1").task).to eq "cleaning"
  end
end
