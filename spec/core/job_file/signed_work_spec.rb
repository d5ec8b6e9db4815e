# frozen_string_literal: true

require "spec_helper"

# What a signature stands under can be worked out again, and what changed since is named.
RSpec.describe Fenbo::JobFile::SignedWork, :made_jobs do
  let(:handover) do
    Fenbo::JobFile::Handover.new(by: person, summary: "A new motor.", next_visit_at: at(600), signed_at: at(100))
  end
  let(:entries) do
    {findings: [found("noise", "grinding")], readings: [read("amps", "within", phase: "after", minutes: 40)],
     decisions: [decided("bearing_worn")], part_choices: [chosen(fitted_at: at(50))], steps: [stepped("guard_off")],
     proof_checks: [Fenbo::JobFile::ProofCheck.new(check: "covers_on", by: person, done_at: at(80))], handover:}
  end
  let(:job) { made_job(**entries) }
  let(:signed) {
    job.with(handover: handover.with(signed_work: JSON.parse(JSON.generate(described_class.new(job).to_h))))
  }

  def changed(**changes)
    signed.handover.changed_since_signed(signed.with(**changes))
  end

  it "is the same whatever order a database gives, and whoever reads it" do
    more = job.with(findings: [*job.findings, found("airflow", "weak", minutes: 2)])
    turned = more.with(findings: more.findings.reverse)
    expect(described_class.new(turned).digest).to eq described_class.new(more).digest
    expect(described_class.new(more).digest).to match(/\A\h{64}\z/)
    expect(described_class.new(more).digest).not_to eq described_class.new(job).digest
    copy = Fenbo::JobFile.from_json(JSON.parse(JSON.generate(signed.as_json)))
    expect(described_class.new(copy).digest).to eq described_class.new(signed).digest
  end

  it "names just the part that changed" do
    expect(changed).to eq []
    told = {
      "complaint" => {complaint: "Two fans have stopped."},
      "words" => {handover: signed.handover.with(summary: "A new motor and a blade.")},
      "decisions" => {decisions: [decided("bearing_worn", action: "repair")]},
      "findings" => {findings: [found("noise", "grinding", voided_at: at(110), voided_by: person)]},
      "readings" => {readings: [*job.readings, read("insulation", "dead", minutes: 120)]},
      "parts" => {part_choices: [chosen]},
      "steps" => {steps: [stepped("guard_off", skipped: true)]},
      "proof" => {proof_checks: []}
    }
    expect(told.transform_values { |changes| changed(**changes) }).to eq told.keys.to_h { |name| [name, [name]] }
  end

  it "goes on while the box is read after everybody has left" do
    later = [read("pulldown", "follows", phase: "after", minutes: 200), read("product", "safe", minutes: 201)]
    expect(changed(readings: job.readings + later, box_c: 3.5, station: "hand_over")).to eq []
  end

  it "says nothing of files of before the work was kept with the signature" do
    expect(handover.changed_since_signed(job.with(complaint: "Other."))).to eq []
  end
end
