# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe "the records", :rolled_back do
  let(:technician) { create(:user) }
  let(:job) { create(:job) }
  let(:fan) { job.unit.fan_positions.first }

  def found(outcome = "silent", client_id: SecureRandom.uuid)
    send_form "/jobs/#{job.number}/findings", test: "noise", outcome:, fan: fan.key, client_id:
  end

  before do
    sign_in technician
    get "/jobs/#{job.number}/look"
  end

  it "keeps a finding once, however often it is sent" do
    id = SecureRandom.uuid
    3.times { found(client_id: id) }
    expect(job.findings.reload.map { |one| [one.test, one.outcome, one.user, one.client_id] }).to eq [
      ["noise", "silent", technician, id]
    ]
  end

  it "keeps another answer from the same page beside the first, losing neither" do
    id = SecureRandom.uuid
    found("silent", client_id: id)
    found("grinding", client_id: id)
    expect(job.findings.reload.map(&:outcome)).to eq %w[silent grinding]
  end

  it "voids and never changes: the database itself refuses" do
    found
    finding = job.findings.reload.first
    send_form "/jobs/#{job.number}/findings/#{finding.client_id}/void", fan: fan.key, reason: "wrong fan"
    expect(finding.reload).to have_attributes(voided_by: technician, void_reason: "wrong fan", outcome: "silent")
    [
      -> { finding.update_columns(outcome: "grinding") },
      -> { finding.delete },
      -> { finding.update_columns(voided_at: nil) }
    ].each do |change|
      expect { Finding.transaction(requires_new: true) { change.call } }.to raise_error(
        ActiveRecord::StatementInvalid,
        /append-only/
      )
    end
    expect { AuditEntry.transaction(requires_new: true) { AuditEntry.last.delete } }.to raise_error(
      ActiveRecord::StatementInvalid,
      /never changed/
    )
  end

  it "refuses an answer that does not exist and dead work that was not proved dead" do
    found("telepathy")
    expect([status, job.findings.count]).to eq [422, 0]
    send_form "/jobs/#{job.number}/findings", test: "spin_by_hand", outcome: "free", fan: fan.key
    expect([status, page]).to match [422, include("Prove it dead first")]
    send_form "/jobs/#{job.number}/state", state: "D", fan: fan.key
    send_form "/jobs/#{job.number}/findings", test: "spin_by_hand", outcome: "free", fan: fan.key
    expect(job.reload).to have_attributes(state: "D", state_by: technician)
    expect(job.findings.pluck(:test)).to eq ["spin_by_hand"]
  end

  it "turns an amps reading into a finding by the core's verdict, with the meter's error" do
    technician.update!(meter: {"percent" => 2.0, "counts" => 5, "resolution" => 0.01})
    send_form "/jobs/#{job.number}/readings", fan: fan.key, amps: "0,66 A", volts: "231", turns: "1", turning: "no"
    reading = job.readings.reload.first
    expect(reading).to have_attributes(verdict: "locked", phase: "before", typed: include("amps" => "0,66 A"))
    expect(reading.findings.map { |one| [one.test, one.outcome] }).to eq [
      %w[amps locked],
      %w[voltage_at_motor in_range]
    ]
    send_form "/jobs/#{job.number}/readings", fan: fan.key, amps: "0.45", volts: "231", turns: "1", turning: "yes"
    unsure = job.readings.reload.last
    expect([unsure.verdict, unsure.findings.map(&:test)]).to eq ["cannot_tell", ["voltage_at_motor"]]
    send_form "/jobs/#{job.number}/readings/#{reading.client_id}/void", fan: fan.key
    expect(reading.findings.reload).to all(be_voided)
  end

  it "answers a bad reading at its field and keeps what was typed" do
    send_form "/jobs/#{job.number}/readings", fan: fan.key, amps: "a lot", volts: "5 parsec", turns: "0.5"
    expect(status).to eq 422
    expect(page).to include(%(value="a lot")).and include("is not understood as a current").and include(
                  "no unit of voltage"
                ).and include("whole number of turns")
    expect(job.readings.count).to eq 0
  end

  it "keeps a call's words when a figure is wrong, and refuses a stale change" do
    send_form "/jobs/#{job.number}/call", complaint: "It hums.", box: "warm", lock_version: job.lock_version
    expect([status, page]).to match [422, include("It hums.").and(include(%(value="warm")))]
    send_form "/jobs/#{job.number}/call", complaint: "It hums.", box: "41 °F", lock_version: job.lock_version
    expect(job.reload).to have_attributes(complaint: "It hums.", box_c: 5.0)
    send_form "/jobs/#{job.number}/call", complaint: "Stale.", lock_version: job.lock_version - 1
    expect([status, job.reload.complaint]).to eq [409, "It hums."]
  end

  it "wants a reason to decide otherwise, and a countersign where an apprentice decides" do
    apprentice = create(:user, role: "apprentice")
    sign_in apprentice
    get "/jobs/#{job.number}/decide"
    send_form "/jobs/#{job.number}/decide", cause: "blade_wrong", action: "repair", fan: fan.key
    expect([status, page]).to match [422, include("say why")]
    send_form "/jobs/#{job.number}/decide",
      cause: "blade_wrong",
      action: "repair",
      fan: fan.key,
      reason: "The label says so."
    expect(job.decision).to be_awaits_countersign
    send_form "/jobs/#{job.number}/decide/countersign"
    expect(status).to eq 403
    sign_in technician
    get "/jobs/#{job.number}/decide"
    send_form "/jobs/#{job.number}/decide/countersign"
    expect(job.decisions.reload.last).to have_attributes(
      countersigned_by: technician,
      override_reason: "The label says so."
    )
  end

  it "keeps a photo by what it is, not by its name" do
    send_form "/jobs/#{job.number}/photos", photo: picture("<svg onload=alert(1)>"), station: "look"
    expect([status, page]).to match [422, include("This is no photo")]
    send_form "/jobs/#{job.number}/photos", photo: picture(name: "../../evil.png"), station: "look", caption: "Ring ice"
    get "/photos/#{job.photos.reload.first.client_id}"
    expect(last_response.headers).to include("content-type" => "image/png", "x-content-type-options" => "nosniff")
    expect(page.b).to eq png
  end

  it "writes down who changed what, without secrets" do
    technician.update!(password: "another long word", name: "New Name")
    expect(AuditEntry.where(record_type: "User", record_id: technician.id).last.changes_made).to eq(
      "name" => [technician.name_before_last_save, "New Name"]
    )
  end

  it "takes a signature as strokes and nothing else" do
    send_form "/jobs/#{job.number}/hand_over", summary: "Done.", signature: "[[[0.1,0.2],[9,9]]]", signed_name: "B"
    expect([status, page]).to match [422, include("draw it again").and(include("Done."))]
    send_form "/jobs/#{job.number}/hand_over", summary: "Done.", signature: "[[[0.1,0.2],[0.3,0.4]]]", signed_name: ""
    expect([status, page]).to match [422, include("Whose signature")]
    send_form "/jobs/#{job.number}/hand_over",
      summary: "Done.",
      signature: "[[[0.1,0.2],[0.3,0.4]]]",
      signed_name: "Berit"
    expect(job.reload.handover).to have_attributes(signature: [[[0.1, 0.2], [0.3, 0.4]]], signed_name: "Berit")
    send_form "/jobs/#{job.number}/close"
    expect([status, page]).to match [422, include("Decide on a cause first")]
  end
end
