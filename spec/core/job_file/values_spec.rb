# frozen_string_literal: true

require "spec_helper"

# What the parts of a job file say of themselves.
RSpec.describe Fenbo::JobFile, :made_jobs do
  let(:limits) { Fenbo::Limits.default }

  it "trusts how a unit stands for as long as a shift, then takes it as found" do
    hours = limits["work_plan.gate_hours"]
    job = made_job(state: "D", state_at: at(0), state_by: person)
    expect([0, hours, hours + 0.1].map { |one| job.stands(at(one * 60), limits) }).to eq %w[D D L]
    expect(job).to be_dead(at(1), limits)
    expect(made_job(state: "D")).not_to be_dead(at(1), limits)
  end

  it "takes what was said of the whole unit for every fan, and the last word for the answer" do
    job = made_job(findings: [
      found("noise", "grinding", minutes: 1), found("setting", "too_warm", fan: nil, minutes: 2),
      found("noise", "silent", minutes: 3), found("noise", "hum", minutes: 4, voided_at: at(5), voided_by: person)
    ])
    expect(job.answer_to("noise", "evaporator-1").outcome).to eq "silent"
    expect(job.answer_to("noise", "evaporator-2")).to be_nil
    expect(job.answer_to("setting", "evaporator-2").outcome).to eq "too_warm"
    expect(job.live_findings.size).to eq 3
  end

  it "reads a plate at the voltage that is nearest to the site's" do
    motor = made_motor(volts: [115.0, 208.0, 230.0], amps: [1.2, 0.68, 0.6])
    expect([110, 200, 240].map { |volts| motor.amps_at(volts) }).to eq [1.2, 0.68, 0.6]
    expect(made_motor(volts: [208.0, 230.0], amps: [0.6]).amps_at(208)).to eq 0.6
    expect(motor.volts_at(240)).to eq 230.0
  end

  it "counts a motor's age from the day it was fitted, where somebody noted it" do
    expect(made_motor.age_years(Date.new(2031, 3, 4))).to be_within(0.01).of(5)
    expect(made_motor(installed_on: nil).age_years(Date.new(2031, 3, 4))).to be_nil
    fan = made_fan("evaporator-1").with(motors: [made_motor(removed_on: Date.new(2030, 1, 1)), made_motor(uid: "new")])
    expect(fan.motor.uid).to eq "new"
  end

  it "knows a leak as open until somebody saw it hold" do
    said = {job: "job", on: Date.today, how: "soap"}
    check = ->(tight, **more) { Fenbo::JobFile::LeakCheck.new(**entry("check", 5, nil), **said, tight:, **more) }
    leak = Fenbo::JobFile::LeakSearch.new(**entry("leak", 1, nil), **said, place: "valve", found: true)
    rows = {
      [] => true, [check[true]] => false, [check[true], check[false]] => true,
      [check[false], check[true].with(voided_at: at(9))] => true
    }
    expect(rows.keys.to_h { |checks| [checks, leak.with(checks:).open?] }).to eq rows
    expect(leak.with(found: false)).not_to be_open
    expect(leak.with(voided_at: at(2))).not_to be_open
  end

  it "sorts what was seen besides by how soon it wants somebody" do
    handover = Fenbo::JobFile::Handover.new(by: person,
      seen_besides: "Soon: gasket torn\n\n now: bare wire \nrust on the pan\nNOW: no guard")
    expect(handover.graded.to_a).to eq [
      ["now", ["bare wire", "no guard"]], ["soon", ["gasket torn"]], ["watch", ["rust on the pan"]]
    ]
    expect(Fenbo::JobFile::Handover.new(by: person).graded).to eq({})
  end

  it "takes the last answer to a quote for the word that counts" do
    answers = [["declined", 20], ["approved", 10]].map { |verdict, minutes|
      Fenbo::JobFile::QuoteAnswer.new(uid: verdict, verdict:, name: "Ona", how: "told", at: at(minutes))
    }
    quote = Fenbo::JobFile::Quote.new(uid: "quote", version: 1, by: person, made_at: at(1), options: [{"id" => "kit"}],
      tax_percent: 19.0, answers:)
    expect([quote.answer.approved?, quote.option("kit"), quote.option("none")]).to eq [false, {"id" => "kit"}, nil]
  end

  it "is equal after its way through JSON, and says which member is missing or of another kind" do
    job = made_job(findings: [found("noise", "grinding")], decisions: [decided("bearing_worn")],
      part_choices: [chosen], steps: [stepped("guard_off")])
    json = JSON.parse(JSON.generate(job.as_json))
    expect(described_class.from_json(json)).to eq job
    spoilt = {
      "complaint is missing" => json.except("complaint"),
      "findings.by" => json.merge("findings" => [json["findings"].first.merge("by" => 7)]),
      "number" => json.merge("number" => "seven")
    }
    told = spoilt.transform_values do |one|
      described_class.from_json(one)
    rescue ArgumentError => problem
      problem.message
    end
    expect(told).to match(
      "complaint is missing" => "complaint must be of type string", "findings.by" => "findings.by must be an object",
      "number" => "number must be of type integer"
    )
  end
end
