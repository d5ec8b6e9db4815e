# frozen_string_literal: true

require_relative "app_spec_helper"

# What is sent is never lost: a refused page can be reloaded, an address that only takes
# forms leads to its form, a press keeps its own time, the same look counts once.
RSpec.describe RefusedPage, :rolled_back do
  let(:job) { create(:job) }
  let(:technician) { create(:user) }

  before do
    sign_in technician
    get "/jobs/#{job.number}/measure"
  end

  def note(test, outcome, **more)
    send_form("/jobs/#{job.number}/findings", test:, outcome:, client_id: SecureRandom.uuid, **more)
  end

  it "gives a refused form an address of its own, with what was typed, for its sender only" do
    send_form "/jobs", unit: "", complaint: "It hums at night"
    address = last_response["HX-Push-Url"]
    expect([status, address]).to match [422, %r{\A/refused/\h{8}-}]
    get address
    expect(page).to include "It hums at night", "Choose the unit the customer calls about."
    expect(status).to eq 200
    sign_in create(:user, role: "office")
    get address
    expect(status).to eq 404
    get "/refused/none"
    expect(status).to eq 404
    described_class.update_all(created_at: 3.days.ago)
    described_class.drop_old
    expect(described_class.count).to eq 0
  end

  it "leads from every address that only takes a form to the page that shows it" do
    {
      "/jobs/#{job.number}/readings" => "/jobs/#{job.number}/measure",
      "/jobs/#{job.number}/findings" => "/jobs/#{job.number}/look",
      "/jobs/#{job.number}/close" => "/jobs/#{job.number}/hand_over",
      "/jobs/#{job.number}/stations/look" => "/jobs/#{job.number}",
      "/jobs/#{job.number}/fit/steps/lockout" => "/jobs/#{job.number}/fit", "/settings/people" => "/settings",
      "/jobs/#{job.number}/photos" => "/jobs/#{job.number}/look"
    }.each do |address, shown|
      get address
      expect([status, last_response["location"]]).to match [303, end_with(shown)]
      get shown
      follow_redirect! if status == 303
      expect(status).to eq 200
    end
  end

  it "keeps the time a phone without signal was pressed at, whatever it says beyond reason" do
    note("fan_motion", "stopped", held_seconds: "5400")
    note("noise", "silent", held_seconds: "-90")
    note("airflow", "none", held_seconds: "soon")
    note("blade_state", "sound", held_seconds: "999999999")
    times = Finding.where(job:).order(:id).map { |one| Time.now - one.taken_at }
    expect(times[0]).to be_within(20).of(5400)
    expect(times[1..2]).to all be < 20
    expect(times[3]).to be_within(20).of(21 * 86_400)
    send_form "/jobs/#{job.number}/state", state: "D", held_seconds: "600"
    expect(Time.now - job.reload.state_at).to be_within(20).of(600)
  end

  it "counts the same look again as one piece of evidence, and a corrected one as the correction" do
    note("fan_motion", "stopped")
    looks = -> {
      asked = Fenbo::Diagnosis::JobCase.new(file(job), fan(job), now: Time.now, minute_cost: 1.6).to_h
      asked["findings"].map { |one| one["outcome"] }
    }
    3.times { note("noise", "grinding") }
    expect(looks.call).to eq %w[stopped grinding]
    note("noise", "squealing")
    expect(looks.call).to eq %w[stopped squealing]
    expect(file(job).findings.select(&:voided?).map { |one| [one.outcome, one.void_reason] }.uniq).to eq [
      ["grinding", "answered anew"]
    ]
    note("noise", "grinding", held_seconds: "7200")
    expect(looks.call).to match_array %w[stopped grinding squealing]
    note("airflow", "none", held_seconds: "7200")
    note("airflow", "none")
    expect(looks.call.count("none")).to eq 2
  end

  it "stays with the chosen question when the unit is proved dead, and with its job when a plate is noted" do
    send_form "/jobs/#{job.number}/state", state: "D", test: "winding_ohms", back: "measure", fan: "evaporator-2"
    expect(last_response["location"]).to end_with "/jobs/#{job.number}/measure?fan=evaporator-2&test=winding_ohms"
    get "/jobs/#{job.number}/measure"
    send_form "/units/#{job.unit_id}/fans/evaporator-1", job: job.number, back: "measure", family: "psc", volts: "230",
      amps: "0.5"
    expect(last_response["location"]).to end_with "/jobs/#{job.number}/measure?fan=evaporator-1"
  end

  it "lets nobody write over a hand over that was written meanwhile" do
    send_form "/jobs/#{job.number}/hand_over", summary: "first", version: "0"
    send_form "/jobs/#{job.number}/hand_over", summary: "late", version: "0"
    expect([status, job.reload.handover.summary]).to eq [409, "first"]
    get "/jobs/#{job.number}/hand_over"
    send_form "/jobs/#{job.number}/hand_over", summary: "third", version: page[/name="version" value="(\d+)"/, 1]
    expect(job.reload.handover.summary).to eq "third"
  end
end
