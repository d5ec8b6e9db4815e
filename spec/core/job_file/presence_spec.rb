# frozen_string_literal: true

require "spec_helper"

# Who was at a unit and when, from what was recorded: at(0) is noon of the first day.
RSpec.describe Fenbo::JobFile::Presence, :made_jobs do
  def visit(uid, from, till: nil, **changes)
    MadeJobs::F::Visit.new(uid:, technician: person, starts_at: at(from), ends_at: till && at(till),
      purpose: "on site", arrival_c: nil, leaving_c: nil, **changes)
  end

  def seen(minutes, visit) = found("noise", "grinding", minutes:, visit:)

  def presence(visits, findings = [], limits: Fenbo::Limits.default, **job)
    made_job(visits:, findings:, box_c: 6.5, **job).presence(limits)
  end

  def arrive(presence, minutes)
    presence.arrive(person("Jorun Vale"), at(minutes))
  end

  it "goes on in a visit as long as something is recorded in it" do
    here = presence([visit("one", 0)], [seen(5, "one"), seen(200, "one")])
    expect([here.at(at(-1)), here.at(at(499))&.uid, here.at(at(501))]).to eq [nil, "one", nil]
    patient = presence([visit("one", 0)], [seen(5, "one")],
      limits: Fenbo::Limits.default.with("presence.silent_hours" => 10))
    expect(patient.at(at(600))&.uid).to eq "one"
    expect(arrive(here, 300)).to have_attributes(visit: visit("one", 0), over: {})
  end

  it "ends what nobody ended with the last thing recorded, and begins anew with who comes" do
    work = MadeJobs::F::StepDone.new(step: "guard_off", by: person, done_at: at(45))
    came = arrive(presence([visit("one", 0)], [seen(5, "one")], steps: [work]), 2 * 1440)
    expect(came.over).to eq "one" => at(45)
    expect(came.visit).to have_attributes(technician: person("Jorun Vale"), starts_at: at(2 * 1440), ends_at: nil,
      arrival_c: 6.5)
  end

  it "begins a planned visit with the first thing recorded, early or late, and no other" do
    planned = visit("part", 600, purpose: "fit the part")
    before = presence([visit("one", 0, till: 60), planned])
    expect(arrive(before, 479).visit.uid).not_to eq "part"
    [481, 640, 900].each do |minutes|
      expect(arrive(before, minutes).visit).to eq planned.with(starts_at: at(minutes), arrival_c: 6.5)
    end
    expect([before.at(at(620)), before.made.map(&:uid)]).to eq [nil, ["one"]]
  end

  it "puts what comes in late from a phone into the visit it was recorded in" do
    later = presence([visit("one", 0, till: 60), visit("two", 600)], [seen(610, "two")])
    expect([later.at(at(30)), later.at(at(620))].map(&:uid)).to eq %w[one two]
    expect(arrive(later, 30).over).to eq({})
  end

  it "ends with the job: who is there now, who was once, and not who never came" do
    job = presence([visit("one", 0), visit("two", 1440), visit("never", 2000)], [seen(20, "one"), seen(1450, "two")])
    expect(job.close(at(1500))).to eq "one" => at(20), "two" => at(1500), "never" => nil
    expect(presence([visit("due", 0)]).close(at(90))).to eq "due" => at(90)
  end
end
