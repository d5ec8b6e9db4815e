# frozen_string_literal: true

require_relative "app_spec_helper"

# Who is where: leaving, coming back with the part, working at two sites on one day.
RSpec.describe Whereabouts, :rolled_back do
  let(:technician) { create(:user) }
  let(:monday) { Time.local(2031, 5, 5, 14) }
  let(:wednesday) { Time.local(2031, 5, 7, 9, 40) }
  let(:job) { create(:job, technician:, opened_at: monday - 3600, box_c: 7.0) }

  def look(job, at, outcome: "silent")
    Logbook.new(job.reload, technician, now: at)
      .take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test: "noise", outcome:))
  end

  def spans(job = self.job)
    job.visits.reload.map { |visit| [visit.starts_at, visit.ends_at] }
  end

  it "tells two days of work as two visits, and the planned one from when somebody came" do
    look(job, monday)
    look(job, monday + 1200)
    planned = job.visits.create!(technician:, starts_at: wednesday - 2400, purpose: Visit::FOR_PART)
    look(job, wednesday, outcome: "grinding")
    expect(spans).to eq [[monday, monday + 1200], [wednesday, nil]]
    expect(planned.reload).to have_attributes(starts_at: wednesday, arrival_c: 7.0)
    described_class.new(job, Setting.limits).close(wednesday + 3600)
    expect(spans.last).to eq [wednesday, wednesday + 3600]
  end

  it "takes whoever records at another site away from the first, but not from the unit beside it" do
    beside = create(:job, technician:, unit: create(:unit, site: job.unit.site))
    elsewhere = create(:job, technician:)
    look(job, monday)
    look(beside, monday + 600)
    expect([spans, spans(beside)]).to eq [[[monday, nil]], [[monday + 600, nil]]]
    look(elsewhere, monday + 3600)
    expect([spans, spans(beside)]).to eq [[[monday, monday]], [[monday + 600, monday + 600]]]
  end

  it "lets somebody leave with the box read, once, and ends by itself what was forgotten" do
    sign_in technician
    now = Time.now
    look(job, now - 600)
    get "/jobs/#{job.number}/clock"
    expect(page).to include "Leave for now"
    2.times { send_form "/jobs/#{job.number}/clock/leave", leaving: "4,5" }
    expect([status, page]).to match [422, include("Nobody is here")]
    expect(job.visits.sole).to have_attributes(ends_at: be_within(5).of(now), leaving_c: 4.5)
    expect(job.reload.box_c).to eq 4.5
    forgotten = create(:job, technician:)
    look(forgotten, now - 7 * 3600)
    job.visits.create!(technician:, starts_at: now - 9 * 3600)
    described_class.sweep(Setting.limits)
    expect([spans(forgotten).last.last, spans.first.last]).to match [be_within(1).of(now - 7 * 3600), nil]
  end

  it "lets nobody leave a closed job, and keeps what was typed where it is no temperature" do
    sign_in technician
    look(job, Time.now - 600)
    get "/jobs/#{job.number}/clock"
    ["-", "9" * 300, "500"].each do |leaving|
      send_form "/jobs/#{job.number}/clock/leave", leaving: leaving
      expect([status, page.include?(%(value="#{leaving}"))]).to eq [422, true]
    end
    job.update!(status: "closed", closed_at: Time.now)
    send_form "/jobs/#{job.number}/clock/leave", leaving: "4"
    expect([status, job.visits.sole.leaving_c]).to match [be_between(400, 499), nil]
  end

  it "tells the same in the database and in the job file, by whatever was recorded" do
    early, planned = [monday, wednesday].map { |at| job.visits.create!(technician:, starts_at: at) }
    in_file = -> { file(job).presence.made.map { |one| Visit.find_by!(uid: one.uid) } }
    told = -> { [Visit.begun.where(job:).order(:starts_at).to_a, in_file.call] }
    expect(told.call).to eq [[], []]
    WorkStep.create!(job:, user: technician, fan_position: job.fan_position, fault: "evaporator-1.1",
      task: "evaporator_fan_motor", step: "fans_locked", done_at: wednesday + 60)
    expect(told.call).to eq [[planned], [planned]]
    ProofCheck.create!(job:, user: technician, check_id: "turns_free", done_at: monday + 60)
    expect(told.call).to eq [[early, planned], [early, planned]]
  end

  it "says on the day board since when somebody is there, and who was due" do
    now = Time.now
    look(job, now - 60)
    job.visits.create!(technician:, starts_at: now - 120)
    entry = Day::Board.new(now:).entries.find { |one| one.job.id == job.id }
    expect(entry.visits.map { |visit| entry.begun_words(visit, now)[/\A\w+ \w+/] }).to eq ["was due", "here since"]
  end
end
