# frozen_string_literal: true

require_relative "app_spec_helper"

# A job given, moved, cancelled; and what a closed one still takes: nothing.
RSpec.describe "arranging a job", :rolled_back do
  let(:office) { create(:user, role: "office") }
  let(:technician) { create(:user) }
  let(:job) { create(:job) }
  let(:other) { create(:unit) }

  before do
    sign_in office
    get "/jobs/#{job.number}/arrange"
  end

  def arrange(what, **fields)
    send_form("/jobs/#{job.number}/arrange/#{what}", client_id: SecureRandom.uuid, **fields)
  end

  def note(job)
    Logbook.new(Job.find(job.id),
      technician).take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test: "noise",
        outcome: "grinding"))
  end

  it "gives it to somebody with a time, and moves the planned visit instead of adding one" do
    at = (Time.now + 2 * 86_400).strftime("%Y-%m-%dT%H:%M")
    2.times { arrange("assign", technician: technician.id, at:) }
    expect(job.reload.technician).to eq technician
    expect(job.visits.map { |visit| visit.starts_at.strftime("%Y-%m-%dT%H:%M") }).to eq [at]
    arrange("assign", technician: "x", at: "2031-13-01T10:00")
    expect(page).to include "Choose somebody who works in the field.", "A date and time, please."
    arrange("assign", technician: technician.id, at: "2020-01-01T10:00")
    expect(page).to include "That is in the past."
    arrange("assign", technician: "")
    expect(job.reload.technician).to be_nil
  end

  it "moves to another unit as it is while nothing was recorded" do
    arrange("move", unit: other.id)
    expect(job.reload).to have_attributes(unit_id: other.id, status: "open", product_limit_c: other.product_limit_c)
    arrange("move", unit: other.id)
    expect(page).to include "It stands on that unit already."
    arrange("move", unit: "")
    expect(page).to include "Choose the unit it really is about."
  end

  it "goes on as a new job where something was recorded, which stays where it was taken" do
    finding = note(job)
    arrange("move", unit: other.id)
    follower = Job.order(:id).last
    expect(follower).to have_attributes(unit_id: other.id, complaint: job.complaint, status: "open")
    expect(job.reload).to have_attributes(status: "cancelled", cancel_reason: /goes on as job #{follower.number}/)
    expect(finding.reload.job).to eq job
    get "/jobs/#{job.number}/arrange"
    expect(page).to include "Cancelled", "goes on as job #{follower.number}"
  end

  it "is told of before a second one is opened on its unit, and beside it as long as it is open" do
    get "/jobs/new?unit=#{job.unit_id}"
    expect(page).to match(/selected\s*>\s*#{job.unit.name},\s+#{job.unit.site.name}: job #{job.number} is open\s*</)
    second = create(:job, unit: job.unit)
    get "/jobs/#{second.number}/call"
    expect(page).to include "Job #{job.number} is open on this unit too"
    job.update!(status: "closed", closed_at: Time.now)
    get "/jobs/#{second.number}/call"
    expect(page).not_to include "open on this unit too"
  end

  it "is cancelled for a reason only, and leaves the day board" do
    arrange("cancel", reason: " ")
    expect([status, page]).to match [422, include("Why is it cancelled?")]
    arrange("cancel", reason: "Customer mended it")
    expect(job.reload).to have_attributes(status: "cancelled", cancel_reason: "Customer mended it")
    expect(Job.open).not_to include job
    expect { note(job) }.to raise_error(Logbook::Refused, /cancelled: it takes nothing more/)
  end

  it "takes nothing more once it is closed and signed, from whatever page" do
    by = technician
    Decision.create!(job:, user: by, causes: ["bearing_worn"], proposed: "bearing_worn", action: "replace",
      standing: {},
      client_id: SecureRandom.uuid, taken_at: Time.now)
    Logbook.new(Job.find(job.id),
      by).take(Entries::Handover.new(values: {summary: "Done"}, signature: [[[0, 0], [1, 1]]], signed_name: "Berit"))
    Logbook.new(Job.find(job.id), by).take(Entries::Close.new)
    sign_in by
    get "/jobs/#{job.number}/hand_over"
    {
      "hand_over" => {summary: "Something else"}, "findings" => {test: "noise", outcome: "silent"},
      "state" => {state: "D"},
      "decide" => {cause: "winding_open", action: "repair", reason: "x"}, "readings" => {tool: "amps", amps: "1"},
      "call" => {complaint: "Other words"}, "stations/look" => {}, "arrange/cancel" => {reason: "no"},
      "prove/checks/covers" => {}, "source" => {offer: "x"}
    }.each do |path, fields|
      send_form "/jobs/#{job.number}/#{path}", client_id: SecureRandom.uuid, **fields
      expect([path, status]).to match [path, be_between(400, 499)]
    end
    closed = Job.find(job.id)
    expect(closed).to have_attributes(status: "closed", complaint: job.complaint, state: "L")
    expect(closed.handover).to have_attributes(summary: "Done", signed_name: "Berit", signature: be_present)
    expect([closed.findings.count, closed.readings.count, closed.decisions.count]).to eq [0, 0, 1]
    send_form "/jobs/#{job.number}/close"
    expect(status).to eq 303
    send_form "/jobs/#{job.number}/reopen", reopen: "the old noise again"
    expect(job.reload.status).to eq "open"
  end

  it "answers a press that was taken before the job was closed as it did then" do
    id = SecureRandom.uuid
    Logbook.new(Job.find(job.id), technician)
      .take(Entries::Finding.new(id:, fan: "evaporator-1", test: "noise", outcome: "grinding"))
    job.update!(status: "closed", closed_at: Time.now)
    sign_in technician
    get "/jobs/#{job.number}/look"
    send_form "/jobs/#{job.number}/findings", test: "noise", outcome: "grinding", client_id: id
    expect([status, job.findings.count]).to eq [303, 1]
    send_form "/jobs/#{job.number}/findings", test: "noise", outcome: "grinding", client_id: SecureRandom.uuid
    expect([status, job.findings.count]).to eq [422, 1]
  end

  it "drops a signature that would stand under other words" do
    write = ->(text, **signed) {
      Logbook.new(Job.find(job.id), technician).take(Entries::Handover.new(values: {summary: text}, **signed))
    }
    write["Motor replaced", signature: [[[0, 0], [1, 1]]], signed_name: "Berit"]
    expect(write["Motor replaced"]).to have_attributes(signed_name: "Berit")
    expect(write["Motor and blade replaced"]).to have_attributes(signed_name: nil, signature: nil, signed_at: nil)
  end
end
