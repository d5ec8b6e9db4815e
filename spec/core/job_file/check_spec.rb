# frozen_string_literal: true

require "spec_helper"

# A job from another Fenbo is told every name that this one does not know, at its place.
RSpec.describe Fenbo::JobFile::Check, :made_jobs do
  def faults(**entries) = described_class.new(made_job(**entries)).faults

  it "has nothing to say of a job that is whole" do
    visit = Fenbo::JobFile::Visit.new(uid: "visit", technician: person, starts_at: at(0))
    expect(faults(visits: [visit], findings: [found("noise", "grinding", visit: "visit")],
      readings: [read("amps", "under")], decisions: [decided("bearing_worn")], part_choices: [chosen],
      steps: [stepped("guard_off"), stepped("guard_off", fault: nil)])).to eq []
  end

  it "names every strange thing at once" do
    told = faults(
      findings: [found("noise", "grinding"), found("seance", "cold"),
        found("noise", "purple", fan: "evaporator-9", minutes: 2)],
      readings: [read("divining_rod", "within", visit: "elsewhere")],
      decisions: [decided("bad_luck", fault: "roof.1")],
      part_choices: [chosen(fault: "condenser-1.1")], steps: [stepped("guard_off", fault: "evaporator-3.1")]
    )
    expect(told).to eq [
      "findings.1.test: “seance” is not known here",
      "findings.2.outcome: “purple” is none of noise",
      "findings.2.fan: the unit has no “evaporator-9”",
      "readings.0.kind: “divining_rod” is not known here",
      "readings.0.visit: is not in this file",
      "decisions.0.causes: “bad_luck” is not known here",
      "decisions.0.fault: “roof.1” is no place of this unit",
      "part_choices.0.fault: “condenser-1.1” is no place of this unit",
      "steps.0.fault: “evaporator-3.1” is no place of this unit"
    ]
  end

  it "refuses a family it does not know, and the same entry twice" do
    twice = [found("noise", "grinding", minutes: 3), found("noise", "silent", minutes: 3)]
    expect(faults(unit: made_unit(family: "igloo"), findings: twice)).to eq [
      "unit.family: “igloo” is not known here", "findings: “noise 3” stands there twice"
    ]
  end

  it "says no more than forty letters of what it was sent" do
    expect(faults(findings: [found("x" * 400, "cold")])).to eq ["findings.0.test: “#{"x" * 40}” is not known here"]
  end
end
