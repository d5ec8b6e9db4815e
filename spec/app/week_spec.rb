# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# The office's week: lanes, load, what does not go together, and two people at one visit.
RSpec.describe Week, :rolled_back do
  let(:office) { create(:user, role: "office") }
  let(:ana) { create(:user, name: "Ana Field") }
  let(:bo) { create(:user, name: "Bo Field") }
  # A Monday morning.
  let(:monday) { Time.local(2031, 5, 5, 8) }
  let(:unit) { create(:unit) }
  let(:job) {
    create(:job, unit:, technician: ana, box_c: 4.0, box_read_at: monday, drift_end_c: 20, product_limit_c: 8,
      product_value_cents: 400_000)
  }
  let!(:visit) {
    Visit.create!(job:, technician: ana, starts_at: monday + 3600, planned_minutes: 90, purpose: "on site")
  }

  before do
    allow(Time).to receive(:now).and_return(monday)
    sign_in office
    get "/week"
  end

  def plan = described_class::Plan.new(now: monday, limits: Shared::Shop.limits)

  def lane(user) = plan.lanes.find { |one| one.user == user }

  def move(at, technician, version: visit.reload.lock_version)
    send_form "/week/visits/#{visit.id}", at: at.strftime("%Y-%m-%dT%H:%M"), technician: technician.id, version:
  end

  def conflicts(user) = lane(user).blocks.flat_map(&:conflicts)

  it "shows how full a week is, and draws each visit in its lane" do
    expect([lane(ana).planned, lane(bo).planned]).to eq [90, 0]
    # Monday from eight, and four days more, of 07:30 to 17:00.
    expect(lane(ana).room).to eq 9 * 60 + 4 * 570
    block = Nokogiri::XML(described_class::Drawing.new(plan, movable: true).svg)
      .at_css("[data-visit='#{visit.id}']")
    expect(block["aria-label"]).to eq "#{unit.name}, Ana, Mon 09:00"
  end

  it "moves a visit to another hour and another person, who has the job then" do
    move(Time.local(2031, 5, 5, 13), bo)
    expect([visit.reload.starts_at, visit.technician, job.reload.technician]).to eq [Time.local(2031, 5, 5, 13), bo, bo]
  end

  it "tells the second of two that the first has moved it, and moves nothing" do
    seen = visit.lock_version
    move(Time.local(2031, 5, 5, 13), bo, version: seen)
    move(Time.local(2031, 5, 5, 15), ana, version: seen)
    expect([status, page]).to match [422, include("Somebody moved it meanwhile: Bo, Mon 5 May 13:00")]
    expect(visit.reload.starts_at).to eq Time.local(2031, 5, 5, 13)
  end

  it "names everything that does not go together" do
    other = create(:job, technician: ana)
    Visit.create!(job: other, technician: ana, starts_at: monday + 2 * 3600, purpose: "on site")
    expect(conflicts(ana)).to contain_exactly("at the same time as #{unit.name}",
      "at the same time as #{other.unit.name}")
    move(Time.local(2031, 5, 5, 16, 30), bo)
    expect(conflicts(bo)).to contain_exactly("outside working hours, and this customer pays no overtime",
      "after the product passed its limit")
    PartChoice.create!(job:, motor: Motor.first, user: ana, fan_position: unit.position("evaporator-1"),
      ready_at: Time.local(2031, 5, 6, 10))
    move(Time.local(2031, 5, 6, 9), bo)
    expect(conflicts(bo)).to include "before #{Motor.first.part_no} is there"
    unit.site.update!(hours: "Tue 9:30 to 12; Wed 8 to 12")
    expect(conflicts(bo)).to include "while the site is closed (Tue 9:30 to 12; Wed 8 to 12)"
    unit.site.update!(hours: "Tue 9 to 12")
    expect(conflicts(bo)).not_to include(/closed/)
    get "/week"
    expect(page).to include "before #{Motor.first.part_no} is there"
  end

  it "lists the open jobs nobody is planned for, the most pressing first, and plans one" do
    calm, lone = [4.0, 7.5].map do |celsius|
      create(:job, box_c: celsius, box_read_at: monday, drift_end_c: 20, product_limit_c: 8)
    end
    expect(plan.unplanned.map(&:job) & [calm, lone]).to eq [lone, calm]
    get "/week"
    2.times { send_form "/week/jobs/#{lone.number}", at: "2031-05-05T10:00", technician: bo.id }
    expect(lone.visits.reload.map(&:technician)).to eq [bo]
    expect(plan.unplanned.map(&:job)).not_to include lone
    send_form "/week/jobs/#{calm.number}", at: "2031-05-06T11:00", technician: ""
    form = Nokogiri::HTML(page).at_css("#move-job-#{calm.number}")
    expect([status, form.parent["open"], form.at_css("[name=at]")["value"], form.css(".fault").map(&:text)])
      .to eq [422, "", "2031-05-06T11:00", ["Who goes?"]]
    expect(Nokogiri::HTML(page).css("details[open]").size).to eq 1
    send_form "/week/jobs/#{lone.number}", at: "2031-05-01T10:00", technician: bo.id
    expect([status, page]).to match [422, include("That is in the past.")]
  end

  it "marks a visit that nobody made, counts its job as planned for by nobody, and lets it be moved" do
    nobody = -> { plan.unplanned.map(&:job).include?(job) }
    visit.update!(starts_at: monday - 1800)
    expect([conflicts(ana), nobody.call]).to eq [[], false]
    visit.update!(starts_at: monday - 2 * 3600)
    expect([conflicts(ana), nobody.call]).to eq [["nobody came"], true]
    # Of an earlier day it has no place in the week: it stands with its job.
    visit.update!(starts_at: monday - 24 * 3600)
    expect([conflicts(ana), nobody.call, plan.unplanned.find { |one| one.job == job }.missed]).to eq [[], true, visit]
    get "/week"
    expect(Nokogiri::HTML(page).at_css("#move-visit-#{visit.id}").text).to include "Plan it anew"
    move(Time.local(2031, 5, 6, 9), bo)
    expect([status, visit.reload.starts_at, nobody.call]).to eq [303, Time.local(2031, 5, 6, 9), false]
  end

  it "leaves alone a visit that goes on, and lets nobody move one who may not" do
    visit.update!(starts_at: monday - 600, arrival_c: 4.0)
    move(Time.local(2031, 5, 6, 9), bo)
    expect([status, page]).to match [422, include("Somebody is there already.")]
    sign_in create(:user, role: "apprentice")
    get "/week"
    expect(page).not_to include "data-visit="
  end
end
