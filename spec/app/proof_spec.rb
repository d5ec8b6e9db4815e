# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# What is asked for before a job is proved follows from what was worked on; a repair that
# does not prove goes back to Decide with what was learned.
RSpec.describe Fenbo::Proof::Checklist, :rolled_back do
  let(:unit) { create(:unit, fans: 2) }
  let(:job) { create(:job, unit:) }
  let(:technician) { create(:user) }

  before do
    sign_in technician
    get "/jobs/#{job.number}/decide"
  end

  def decide(cause, action = "replace", fan: "evaporator-1")
    send_form "/jobs/#{job.number}/decide", fan:, cause:, action:, reason: "seen", client_id: SecureRandom.uuid
  end

  def read_after(amps)
    get "/jobs/#{job.number}/prove?fan=evaporator-1"
    send_form "/jobs/#{job.number}/prove/readings", fan: "evaporator-1", tool: "amps", amps:, volts: "230",
      turning: "yes", client_id: SecureRandom.uuid
  end

  def proof = described_class.new(file(job))

  def plate(**more) = unit.position("evaporator-1").motor_now.update!(**more)

  it "asks what this family, motor and fault want seen, and no more" do
    decide("winding_open")
    expect(proof.checks.keys).to include("clear_all_round", "right_way", "neighbours")
    expect(proof.checks.keys & %w[speeds stages drain_gap seal_holds]).to eq []
    plate(family: "ec", control: "0_10v", watts: 22)
    expect(proof.checks.keys).to include "speeds"
    unit.update!(family: "household_machine_bay")
    expect(proof.checks.keys).to include "drain_gap"
  end

  it "asks after what was opened for the look alone, where it was decided to wait" do
    decide("healthy", "wait")
    expect(proof.checks.keys).to eq %w[covers_on undone]
    %w[match source fit].each { |station|
      get "/jobs/#{job.number}/#{station}"
      expect(page).to include "Nothing to buy or take apart"
    }
    get "/jobs/#{job.number}/report"
    expect(page).to include "Looked at, nothing worked on"
    expect(page).not_to include "Not proved yet"
    proof.checks.each_key { |id| send_form "/jobs/#{job.number}/prove/checks/#{id}" }
    expect(proof).to be_proved
    get "/jobs/#{job.number}/prove"
    expect(page).to include "Nothing was worked on, and it is closed up."
    expect(page).not_to include "It is proved fixed."
    decide("contactor_failed", "clean", fan: "evaporator-2")
    expect(proof.checks.keys).to include "clear_all_round"
    expect(proof).not_to be_proved
  end

  it "takes the watts at 0, 5 and 10 V for having driven it, where they follow" do
    plate(family: "ec", control: "0_10v", watts: 22)
    decide("winding_open")
    get "/jobs/#{job.number}/prove?fan=evaporator-1"
    expect(page).to include "Driven through its control", "Watts at each signal"
    driven = ->(*watts) do
      send_form "/jobs/#{job.number}/prove/readings", tool: "driven", fan: "evaporator-1", client_id: SecureRandom.uuid,
        **%i[at_0 at_5 at_10].zip(watts).to_h
    end
    driven["1", "22", "22"]
    expect([job.readings.last.verdict, proof.done?("speeds")]).to eq ["does_not_follow", false]
    driven["1", "about", "22"]
    expect([status, page]).to match [422, include("about", "not understood")]
    driven["1", "8", "21"]
    expect([proof.done?("speeds"), proof.done_by("speeds")&.uid]).to match [true, be_a(String)]
    get "/jobs/#{job.number}/report.pdf"
    expect(status).to eq 200
  end

  it "reads half an hour of the simulated probe into the form, kept only when asked" do
    decide("winding_open")
    send_form "/jobs/#{job.number}/prove/probe", probe: "well", fan: "evaporator-1", setpoint: "3"
    expect([status, job.readings.reload.count]).to eq [200, 0]
    typed = Nokogiri.HTML5(page).at_css("textarea[name=readings]").text
    send_form "/jobs/#{job.number}/prove/readings", tool: "pulldown", setpoint: "3", readings: typed,
      client_id: SecureRandom.uuid
    expect(job.readings.reload.last).to have_attributes(kind: "pulldown", verdict: "on_course")
    expect(proof.done?("falling")).to be true
    ["stalls", "rises"].each do |way|
      rows = Shared::LoggerFile.new(FenboSimulation::Probe.new(condition: way, setpoint_c: 3, random: Random.new(1))
        .csv(30, Time.now), system: "si", most: 100).rows
      verdict = Fenbo.call(:pulldown, {"setpoint_c" => 3, "readings" => rows}).verdict
      expect(verdict).to eq({"stalls" => "stalls_above", "rises" => "rising"}[way])
    end
  end

  it "keeps no pull-down without a reading, and draws one of before that has none" do
    decide("winding_open")
    send_form "/jobs/#{job.number}/prove/readings", tool: "pulldown", setpoint: "3", readings: " ",
      client_id: SecureRandom.uuid
    expect([status, page]).to match [422, include("Note a reading at least")]
    result = Fenbo.call(:pulldown, {"setpoint_c" => 3, "readings" => []})
    expect(Shared::Drawing::CoolingCurve.new(result:, asked: {"readings" => [], "setpoint_c" => 3}).svg)
      .to include "0 readings"
  end

  it "wants no amps for a gasket, and the paper strip instead" do
    decide("door_seal_leaking")
    expect(proof.checks.keys).to include("seal_holds").and(satisfy { |list| !list.include?("right_way") })
    expect(proof.missing.grep(/Amps/)).to eq []
    decide("evaporator_dirty", "clean")
    expect(proof.missing.grep(/Amps/).size).to eq 1
  end

  it "sends a repair that does not prove back to Decide, with the reading as evidence and the old looks aside" do
    send_form "/jobs/#{job.number}/findings", test: "noise", outcome: "grinding", fan: "evaporator-1",
      client_id: SecureRandom.uuid
    decide("bearing_worn")
    send_form "/jobs/#{job.number}/prove/checks/covers_on"
    send_form "/jobs/#{job.number}/prove/retest", fan: "evaporator-1"
    expect([status, page]).to match [422, include("does not say that anything is still wrong")]
    read_after("0.61")
    get "/jobs/#{job.number}/prove?fan=evaporator-1"
    expect(page).to include("The repair does not prove")
    send_form "/jobs/#{job.number}/prove/retest", fan: "evaporator-1"
    now = file(job)
    expect([now.decision("evaporator-1"), now.decisions.last.void_reason,
      now.station]).to eq [nil, "not proved", "decide"]
    looks = Fenbo::Diagnosis::JobCase.new(now, now.unit.fan("evaporator-1"), now: Time.now, minute_cost: 1.6).to_h
    expect(looks["findings"].map { |one| one.values_at("test", "outcome") }).to eq [%w[amps over]]
    expect(looks["context"]["recent_work"]).to be true
    send_form "/jobs/#{job.number}/prove/retest", fan: "evaporator-1"
    expect([status, job.findings.live.where(test: "amps").count]).to eq [422, 1]
    decide("motor_wrong")
    expect(proof.done?("covers_on")).to be false
    send_form "/jobs/#{job.number}/prove/checks/covers_on"
    expect(proof.done?("covers_on")).to be true
    expect([proof.failed, proof.missing.grep(/Amps/).size]).to eq [[], 1]
    read_after("0.41")
    expect(proof.missing.grep(/Amps/)).to eq []
  end
end
