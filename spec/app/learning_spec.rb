# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe "learning from closed jobs", :rolled_back do
  let(:technician) { create(:user) }
  let(:office) { create(:user, role: "office") }
  let(:unit) { create(:unit, family: "display_case", fans: 1) }
  let(:place) { "display_case evaporator" }

  def kept = Setting.read("experience")

  # A closed job with its findings and its decided cause, through the same doors as any.
  def closed(cause, findings: {"fan_motion" => "stopped", "noise" => "silent", "winding_ohms" => "open"}, **more)
    job = create(:job, unit:, **more)
    position = unit.fan_positions.first
    findings.each do |test, outcome|
      Finding.create!(
        job:,
        user: technician,
        fan_position: position,
        test:,
        outcome:,
        client_id: SecureRandom.uuid,
        taken_at: Time.now
      )
    end
    Decision.create!(
      job:,
      user: technician,
      fan_position: position,
      causes: [cause],
      proposed: cause,
      action: "repair",
      standing: {},
      client_id: SecureRandom.uuid,
      taken_at: Time.now
    )
    Handover.create!(job:, user: technician, signed_at: Time.now)
    Logbook.new(job.reload, technician).take(Entries::Close.new)
    job
  end

  def count(cause) = kept.dig("jobs", place, cause).to_i

  it "counts a confirmed cause with its answers, and counts a reopened job back out" do
    before = count("winding_open")
    job = closed("winding_open")
    expect(count("winding_open")).to eq before + 1
    expect(kept["findings"]["winding_open winding_ohms dead"]["open"]).to be >= 1
    Logbook.new(job.reload, technician).take(Entries::Reopen.new(reason: "it came back"))
    expect(count("winding_open")).to eq before
  end

  it "moves the next verdict, says from how many jobs, and can be switched off" do
    job = create(:job, unit:)
    Finding.create!(
      job:,
      user: technician,
      fan_position: unit.fan_positions.first,
      test: "fan_motion",
      outcome: "stopped",
      client_id: SecureRandom.uuid,
      taken_at: Time.now
    )
    chance = -> { Shared::Standing.new(file(job), fan(job)).percent_of("winding_open") }
    before = chance.call
    20.times { closed("winding_open") }
    expect(chance.call).to be > before
    sign_in technician
    get "/jobs/#{job.number}/look"
    expect(page).to match(/from \d+ of your \d+ jobs/)
    sign_in office
    get "/learning"
    expect(page).to include("Winding open").and include("Display case, evaporator fans")
    send_form "/learning", on: "0"
    expect(chance.call).to be <= before + 1
    sign_in technician
    get "/learning"
    send_form "/learning", on: "1"
    expect(status).to eq 403
  end

  it "links a return that found another cause, names the test that would have told, and unlearns the first verdict" do
    first = closed("blade_iced", findings: {"fan_motion" => "normal", "noise" => "ticking"})
    iced, seal = count("blade_iced"), count("door_seal_leaking")
    later =
      closed("door_seal_leaking", return_of: first, findings: {"fan_motion" => "normal", "door_seal" => "leaks"})
    expect([count("blade_iced"), count("door_seal_leaking")]).to eq [iced - 1, seal + 1]
    link = Misdiagnosis.new(later)
    expect(link).to be_corrected
    expect(%w[door_seal blade_state]).to include link.would_have_told.id
    sign_in technician
    get "/learning"
    expect(page).to include("Job #{first.number}").and include("would have told")
  end

  it "keeps two units of one visit two diagnoses, linked to each other" do
    sign_in technician
    job = create(:job, unit:, complaint: "Both cases are warm.")
    get "/jobs/new?beside=#{job.number}"
    expect(page).to include("Both cases are warm.").and include("Beside job #{job.number}")
    other = create(:unit, family: "display_case", fans: 1, site: unit.site)
    send_form "/jobs",
      beside: job.number,
      unit: other.id,
      complaint: "Both cases are warm.",
      "complaint_kinds[]": "too_warm"
    sister = Job.order(:number).last
    expect(sister).to have_attributes(beside: job, unit: other, complaint_kinds: ["too_warm"])
    get "/jobs/#{job.number}/look"
    expect(page).to include("Same visit").and include("job #{sister.number}")
    expect(file(sister)).to have_attributes(complaint_kinds: ["too_warm"], beside: job.uid)
  end
end
