# frozen_string_literal: true

require_relative "app_spec_helper"

# The product's clock of a job: every reading of the box kept, the drift fitted through them.
RSpec.describe Clocks, :rolled_back do
  let(:start) { Time.utc(2031, 5, 5, 8) }
  let(:unit) { create(:unit) }
  let(:job) { create(:job, unit:, technician:, box_c: 4.0, box_read_at: start, drift_end_c: 24, product_limit_c: 8) }
  let(:technician) { create(:user) }

  before do
    at(0)
    sign_in technician
  end

  def at(hours) = allow(Time).to receive(:now).and_return(start + hours * 3600)

  # Of a box that drifts towards 24 °C with a time constant of 20 h.
  def truth(hours) = (24 - 20 * Math.exp(-hours / 20.0)).round(2)

  def read(hours, **typed)
    at(hours)
    get "/jobs/#{job.number}/clock"
    send_form "/jobs/#{job.number}/clock", client_id: SecureRandom.uuid, **typed
  end

  def clock(hours)
    Fenbo::Product::JobClock.new(file(job), now: start + hours * 3600, limits: Shared::Shop.limits)
  end

  it "fits this box's own pace through what is read, and keeps every reading" do
    # The family's usual fourteen hours, until it is known better.
    expect(clock(0).result.tau_hours).to eq 14
    [1, 2, 3].each { |hours| read(hours, now: truth(hours).to_s) }
    expect(clock(3).result.tau_hours).to be_within(1).of(20)
    expect(clock(3).hours_left).to be_within(0.3).of(20 * Math.log((24 - truth(3)) / 16.0))
    soon, late = clock(3).hours_between
    expect(soon..late).to cover clock(3).hours_left
    expect(file(job).readings_of("product").map { |one| one.question["now_c"] }).to eq [truth(1), truth(2), truth(3)]
    expect(job.reload.box_points.first).to eq [start, 4.0]
    get "/jobs/#{job.number}/clock"
    expect(page).to include "Time constant from 4 readings"
  end

  it "stops once the box has fallen since the work, and goes on when it is read warmer" do
    Visit.create!(job:, technician:, starts_at: start + 3600, arrival_c: 9.0)
    read(2, now: "7.9")
    expect(clock(2)).to have_attributes(cooling_again?: false, known?: true)
    StationStep.create!(job:, station: "fit", state: "done", done_by: technician, done_at: start + 7200)
    expect(clock(2)).to have_attributes(cooling_again?: true, known?: false)
    get "/jobs/#{job.number}/prove"
    expect(page).to match(/cools again.*9 °C\s+on\s+arrival/m)
    read(4, now: "8.5")
    expect(clock(4)).to have_attributes(cooling_again?: false, past?: true)
  end

  it "goes on from what the caller said, and with what the box reads as somebody leaves" do
    job.update!(earlier_c: truth(-3), earlier_hours_ago: 3)
    read(2, now: truth(2).to_s)
    expect(job.reload.box_points).to eq [[start - 3 * 3600, truth(-3)], [start, 4.0], [start + 2 * 3600, truth(2)]]
    at(3)
    send_form "/jobs/#{job.number}/clock/leave", leaving: truth(3).to_s
    expect(job.reload.visits.sole).to have_attributes(ends_at: start + 3 * 3600, leaving_c: truth(3))
    expect([job.box_points.size, clock(3).result.tau_hours]).to match [4, be_within(1).of(20)]
  end

  it "asks whether a box that reads far under its setpoint is another compartment's" do
    unit.update!(setpoint_c: 4)
    read(1, now: "-3.5")
    expect([clock(1).another_box?, page.include?("another compartment")]).to eq [false, false]
    read(2, now: "-9")
    get "/jobs/#{job.number}/call"
    expect(page).to match(/−9 °C is far under its setpoint of\s+4 °C/)
  end

  it "reads a logger's lines, the last of them now" do
    lines = (0..6).map { |step| "#{step * 30}; #{truth(step / 2.0)}" }.join("\n")
    read(3, readings: lines)
    expect(clock(3).result.tau_hours).to be_within(1).of(20)
    expect(job.reload.box_read_at).to be_within(1).of(start + 3 * 3600)
    read(3, readings: "10; about\n20; 5")
    expect([status, page]).to match [422, include("is not understood")]
  end

  it "asks for what it needs, takes a repeat once, and starts anew where the drift is changed" do
    read(1, now: "warm")
    expect([status, page]).to match [422, include("warm")]
    id = SecureRandom.uuid
    at(1)
    get "/jobs/#{job.number}/clock"
    2.times { send_form "/jobs/#{job.number}/clock", client_id: id, now: "5" }
    expect([file(job).readings_of("product").size, job.reload.box_points.size]).to eq [1, 2]
    send_form "/jobs/#{job.number}/clock/hold", stopgap: "ice"
    expect([job.reload.box_points, job.box_c]).to eq [[], 5.0]
    unit.update!(product_limit_c: nil)
    job.update!(product_limit_c: nil)
    read(2, now: "5.5")
    expect([status, page]).to match [422, include("note them at Call")]
  end

  it "takes an earlier reading only with its time, and no figure that no box has" do
    call = ->(**typed) {
      get "/jobs/#{job.number}/call"
      send_form "/jobs/#{job.number}/call", complaint: "Warm.", client_id: SecureRandom.uuid, **typed
    }
    {{box: "6", earlier: "4"} => "How long before that was read",
     {box: "6", earlier_ago: "2 h"} => "What was read then",
     {earlier: "4", earlier_ago: "2 h"} => "to hold the earlier reading against",
     {box: "6", earlier: "4", earlier_ago: "0"} => "From 1 min to 720 h", {box: "140"} => "120"}.each do |typed, words|
      expect { call.call(**typed) }.not_to(change { job.reload.attributes })
      expect([status, page]).to match [422, include(words)]
    end
    call.call(box: "6", earlier: "4", earlier_ago: "2 h")
    expect(clock(0).result.tau_from).to eq "readings"
    # What was kept before nothing was refused.
    job.reload.update!(earlier_hours_ago: 0)
    expect(clock(0)).to be_known
  end

  it "goes on from what the box read on leaving, and from the end of a pull-down" do
    at(2)
    get "/jobs/#{job.number}/prove"
    send_form "/jobs/#{job.number}/prove/temperatures", arrival: "6", leaving: "5"
    expect(clock(2).now_c).to eq 5.0
    at(3)
    # Another arrival says nothing new of how it was left.
    send_form "/jobs/#{job.number}/prove/temperatures", arrival: "7", leaving: "5"
    expect([job.reload.box_read_at, job.visits.last.arrival_c]).to eq [start + 2 * 3600, 7.0]
    get "/jobs/#{job.number}/prove"
    send_form "/jobs/#{job.number}/prove/readings", tool: "pulldown", fan: "evaporator-1", setpoint: "3",
      readings: "0; 5\n10; 4.4\n20; 3.9\n30; 3.5", client_id: SecureRandom.uuid
    expect([job.reload.box_c, job.box_read_at]).to eq [3.5, start + 3 * 3600]
    send_form "/jobs/#{job.number}/prove/readings", tool: "pulldown", fan: "evaporator-1", setpoint: "3",
      readings: "", client_id: SecureRandom.uuid
    expect([status, job.reload.box_c]).to match [be < 500, 3.5]
  end

  it "puts what the probe shows into the field and keeps nothing of it" do
    at(1)
    get "/jobs/#{job.number}/clock"
    send_form "/jobs/#{job.number}/clock/probe", now: ""
    expect(page[/name="now"[^>]*value="([\d.]+)/, 1] || page[/value="([\d.]+) °C"/, 1]).to be_truthy
    expect(job.reload.box_log).to eq []
  end
end
