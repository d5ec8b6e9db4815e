# frozen_string_literal: true

require "pdf-reader"
require_relative "app_spec_helper"

# The handover sheet as its customer reads it, made from a job file alone.
RSpec.describe Stations::HandOver::Pdf, :made_jobs do
  let(:words) { Shared::Voice.new(Struct.new(:unit_system).new("si")) }
  let(:amps) do
    {"motor" => {"family" => "shaded_pole", "nameplate_amps" => 0.43, "nameplate_volts" => 230, "turning" => true},
     "reading" => {"amps" => [0.42], "volts" => [230], "turns" => 1,
                   "meter" => {"percent" => 2.0, "counts" => 3, "resolution" => 0.01}}}
  end

  def report(**entries)
    Stations::HandOver::Report.new(made_job(**entries), limits: Fenbo::Limits.default, shop: "Tarn Cooling",
      now: at(10_000))
  end

  # Its words in a line each place, however the lines were broken.
  def sheet(**entries)
    pdf = described_class.new(report(**entries), words).render
    PDF::Reader.new(StringIO.new(pdf)).pages.map(&:text).join("\n").gsub(/\s+/, " ")
  end

  def handover(**changes) = Fenbo::JobFile::Handover.new(by: person, **changes)

  def visit(from, till, **box)
    Fenbo::JobFile::Visit.new(uid: "visit #{from}", technician: person, starts_at: at(from), ends_at: till && at(till),
**box)
  end

  it "begins with what it is about, and says where nothing was decided or signed" do
    told = sheet
    expect(told).to include "Tarn Cooling", "Milk room, Weir lane", "Weir lane dairy", "Looked at, nothing worked on",
      "A fan has stopped.", "Not signed: no reason was noted."
    expect(told).not_to include "As it was found", "Proved", "What was done", "Next visit", "Everything recorded"
  end

  it "says who was there, and what the box read when they came and left" do
    visits = [visit(0, 60, arrival_c: 9.5, leaving_c: 4.0), visit(600, nil, arrival_c: 7.0), visit(20_000, nil)]
    told = sheet(visits:)
    expect(told).to match(/Ilka Brenn, .*? to .*?: box 9.5 °C on arrival, 4 °C on leaving/)
    expect(told.scan("Ilka Brenn,").size).to eq 2
  end

  it "tells each fault's cause, who decided and countersigned, why otherwise than proposed, and its part" do
    sefa = person("Sefa Brannik", role: "apprentice")
    told = sheet(
      decisions: [
        decided("bearing_worn", by: sefa, proposed: "mount_loose", override_reason: "It grates by hand.",
          countersigned_by: person, countersigned_at: at(15)),
        decided("door_seal_leaking", fault: "unit.1", action: "wait")
      ],
      part_choices: [chosen(fitted_at: at(50), fitted_by: person)]
    )
    expect(told).to include "As it was found", "Evaporator fan 1: Bearing worn", "The unit: Door seal",
      "Replace. Decided by Sefa Brannik", "countersigned by Ilka Brenn",
      "Decided otherwise than proposed (#{Fenbo::Diagnosis::Cause.label("mount_loose")}): It grates by hand.",
      "Motor BR-S12-230-L fitted", "by Ilka Brenn", "Wait and watch. Decided by Ilka Brenn"
  end

  it "holds amps before and after on one scale, and says of a repair that it did not prove" do
    readings = [asked("amps", amps, minutes: 5), asked("amps", amps, phase: "after", minutes: 40)]
    told = sheet(decisions: [decided("bearing_worn")], readings:)
    expect(told).to include "Before: 0.42 A", "After: 0.42 A", "Readings before the work", "Readings after the work",
      "Why the readings say so"
    expect(report(readings: readings + [asked("amps", amps, minutes: 8)]).read_again?(readings.first)).to be true
    failed = sheet(decisions: [disproved(decided("mount_loose", action: "repair"))], readings:)
    expect(failed).to include "The repair alone did not prove"
  end

  it "tells a reading that two faults of one fan share just once" do
    readings = [asked("amps", amps, minutes: 5), asked("amps", amps, phase: "after", minutes: 40)]
    told = report(readings:,
      decisions: [decided("bearing_worn"), decided("mount_loose", fault: "evaporator-1.2", action: "repair")])
    expect(told.faults.map { |fault| told.pair(fault).keys }).to eq [[], %w[Before After]]
  end

  it "tells what was done: the work with its proof of dead, what was measured, moved over, left out" do
    gate = %w[fans_locked heaters_locked proved_dead].map { |id| stepped(id, task: "evaporator_fan_motor") }
    steps = gate + [
      stepped("blade_depth", task: "evaporator_fan_motor", measured: 18.5),
      stepped("sleeve", task: "evaporator_fan_motor"),
      stepped("moisture_loop", task: "evaporator_fan_motor", skipped: true, note: "Lead too short.")
    ]
    told = sheet(decisions: [decided("bearing_worn")], steps:, handover: handover(summary: "A new motor."))
    expect(told).to include "What was done A new motor.",
      "Evaporator fan 1, motor: 6 of 28 steps so far, made safe and proved dead first", "18.5 mm",
      "Left out:", "Lead too short."
    bare = sheet(decisions: [decided("bearing_worn")], steps: [steps.last.with(skipped: nil)])
    expect(bare).to include "1 of 28 steps so far.", "Otherwise:"
  end

  it "tells the coil as it was painted, and what hangs on the rest: refrigerant, measures, what was seen besides" do
    move = Fenbo::JobFile::RefrigerantMove.new(**entry("move", 30, nil), job: "job", on: Date.new(2031, 3, 4),
      kind: "added",
      cylinder: "C7", before_kg: 10.0, after_kg: 8.8)
    leak = ->(job, found) {
      Fenbo::JobFile::LeakSearch.new(**entry("leak #{job}", 31, nil), job:, on: Date.new(2031, 3, 4), how: "soap",
        place: "schrader core of #{job}", found:)
    }
    circuit = Fenbo::JobFile::Circuit.new(uid: "circuit", name: "Circuit A", full_charge_kg: 12.0,
      moves: [move, move.with(job: "earlier", cylinder: "C6")],
      leaks: [leak["job", false], leak["an earlier job", true], leak["another, tight", false]])
    told = sheet(
      unit: made_unit(circuits: [circuit]), decisions: [decided("bearing_worn")],
      part_choices: [chosen(offer: {"stopgap" => "doors_shut"})],
      handover: handover(seen_besides: "now: bare wire at the lamp\nrust on the pan", next_visit_at: at(5000),
        next_visit_for: "the gasket")
    )
    expect(told).to include "Refrigerant Circuit A:", "1.2 kg", "by Ilka Brenn", "Temporary measures in place",
      "Doors kept shut", "To be undone: label and cover off", "Seen besides To be done now: bare wire at the lamp",
      "To be watched: rust on the pan", "Next visit", ": the gasket", "schrader core of job",
      "schrader core of an earlier job", "Open still"
    expect(told).not_to include "C6", "another, tight"
  end

  it "says what is proved, what is still to be seen, and that a measure was undone" do
    job = {decisions: [decided("mount_loose", action: "repair")],
           part_choices: [chosen(offer: {"stopgap" => "ice"})]}
    ticks = Fenbo::Proof::Checklist.new(made_job(**job)).checks.keys
      .map { |check| Fenbo::JobFile::ProofCheck.new(check:, by: person, done_at: at(80)) }
    within = asked("amps", amps, phase: "after", minutes: 70)
    expect(sheet(**job)).to include "Still to be proved", "Temporary measures in place",
      "Not proved yet: #{Fenbo::Proof::Checklist.new(made_job(**job)).missing.size} to be seen"
    proved = sheet(**job, proof_checks: ticks, readings: [within])
    expect(proved).to include "Proved: it runs as it should", "✓"
    expect(proved).not_to include "Still to be proved", "Temporary measures in place"
  end

  it "stands signed with its digest, or says why nobody signed, or what changed since" do
    strokes = [[[0.1, 0.2], [0.5, 0.4]]]
    work = Fenbo::JobFile::SignedWork.new(made_job(handover: handover(summary: "A new motor.")))
    signed = handover(summary: "A new motor.", signature: strokes, signed_name: "R. Aalto", signed_at: at(100),
      signed_digest: work.digest, signed_work: Fenbo::Json.plain(work.to_h))
    expect(sheet(handover: signed)).to include "R. Aalto,", "SHA-256: #{work.digest}"
    expect(sheet(handover: signed)).not_to include "Since then"
    expect(sheet(handover: signed,
      findings: [found("noise", "grinding", minutes: 200)])).to match(/Since then .* changed\./)
    expect(sheet(handover: handover(unsigned_because: "Nobody was there. "))).to include "Not signed: Nobody was there."
    expect(sheet(handover: signed.with(unsigned_because: "Left already"))).to include "Not signed again: Left already."
  end

  describe Stations::HandOver::Proposed do
    def proposed(**entries)
      job = made_job(**entries)
      described_class.new(job, proof: Fenbo::Proof::Checklist.new(job), voice: words).text
    end

    it "proposes nothing where nothing was decided, and else a sentence for each thing that was done" do
      expect(proposed).to be_nil
      within = asked("amps", amps, phase: "after", minutes: 70)
      told = proposed(
        decisions: [decided("bearing_worn"), decided("door_seal_leaking", fault: "unit.1", action: "wait")],
        part_choices: [chosen(fitted_at: at(50), fitted_by: person)], readings: [within],
        visits: [visit(0, 90, leaving_c: 3.5)]
      )
      expect(told).to start_with "Evaporator fan 1: bearing worn. Motor BR-S12-230-L fitted"
      expect(told).to include "Afterwards it read 0.42 A", "The unit:", "To be watched.",
        "The box stood at 3.5 °C on leaving."
      expect(told.scan("Afterwards it read").size).to eq 1
      expect(told).not_to include "Everything was seen to run"
      # Come back to, it is not what an earlier visit left.
      expect(proposed(decisions: [decided("bearing_worn")], readings: [within.with(visit: "second")],
        visits: [visit(0, 60, leaving_c: 3.5), visit(65, nil, uid: "second")])).not_to include "on leaving"
      warm = proposed(decisions: [decided("bearing_worn")], product_limit_c: 3.0,
        visits: [visit(0, 90, leaving_c: 3.5)])
      expect(warm).to end_with "3.5 °C on leaving, still over the 3 °C its product must stay below."
    end

    it "tells what was decided along with the first cause, and that it is mended once that was seen" do
      two = {decisions: [decided("bearing_worn", "condenser_dirty", fault: "condenser-1.1")],
             unit: made_unit(fans: %w[condenser-1], family: "remote_condenser")}
      clean = Fenbo::JobFile::ProofCheck.new(check: "condenser_clean", by: person, done_at: at(80))
      expect(proposed(**two)).to eq "Condenser fan 1: bearing worn with condenser dirty."
      expect(proposed(**two, proof_checks: [clean]))
        .to end_with "Condenser and its filter clean: air passes all over its face."
      alone = {**two,
        decisions: [decided("condenser_dirty", fault: "unit.1", action: "clean").with(fan: "condenser-1")]}
      expect(proposed(**alone, proof_checks: [clean]))
        .to eq "The unit: condenser dirty. Condenser and its filter clean: air passes all over its face."
    end
  end
end
