# frozen_string_literal: true

require_relative "app_spec_helper"

# What cannot wait comes first, and each line says who has it and what it waits for.
RSpec.describe Day::Board, :rolled_back do
  let(:noon) { Time.local(2031, 5, 7, 12) }
  let(:technician) { create(:user, name: "Ilka Brenn") }

  before { Job.open.find_each { |job| job.update_columns(status: "closed") } }

  def job(**fields)
    create(:job, unit: create(:unit), box_read_at: noon, drift_end_c: 20, product_limit_c: 8, **fields)
  end

  def board = described_class.new(now: noon)

  def entry(job) = board.entries.find { |one| one.job == job }

  it "puts the product that has least time first, then who goes soonest, then the older job" do
    slow, fast, past = job(box_c: 3.0), job(box_c: 7.5), job(box_c: 7.9, box_read_at: noon - 40 * 3600)
    idle, planned = job, job
    planned.visits.create!(technician:, starts_at: noon + 3600)
    expect(board.entries.map(&:job)).to eq [past, fast, slow, planned, idle]
    expect([board.running, entry(past).limit_words, entry(fast).limit_words]).to match [
      3, "past its limit", /\Alimit in \d+ h \d\d\z/
    ]
  end

  it "says a visit comes too late for the product" do
    soon = job(box_c: 7.5)
    visit = ->(hours) { soon.visits.create!(technician:, starts_at: noon + hours * 3600) }
    early, late = visit[0.1], visit[48]
    expect([early, late].map { |one| entry(soon.reload).late?(one, noon) }).to eq [false, true]
    expect(entry(job).late?(late, noon)).to be false
  end

  it "says that nobody has it, until somebody does or comes" do
    free = job
    expect(entry(free).standing_words).to eq "nobody yet"
    Logbook.new(free, technician, now: noon).take(
      Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test: "noise", outcome: "silent")
    )
    expect([free.reload.technician, entry(free).standing_words, free.station]).to eq [technician, "", "look"]
    expect(free.done?("call")).to be true
    theirs = job(technician: create(:user))
    Logbook.new(theirs, technician, now: noon).take(
      Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test: "noise", outcome: "silent")
    )
    expect(theirs.reload.technician).not_to eq technician
  end

  it "says what a job waits for, and how the product is held meanwhile" do
    waiting = job(box_c: 5.0, technician:)
    choice = PartChoice.create!(job: waiting, motor: Motor.first, user: technician,
      fan_position: waiting.unit.position("evaporator-1"), offer: {"stopgap" => "ice"}, ready_at: noon + 86_400)
    expect(entry(waiting).standing_words)
      .to match(/\Awaits for part #{Regexp.escape(choice.motor.part_no)}, .*, still to do: dry ice/)
    at = (noon - 60).iso8601
    waiting.update!(drift_from: {stopgap: "moved", at:, c: 5.0, end_c: 5.0, tau_hours: 10.0})
    expect(entry(waiting)).to have_attributes(limit_in_hours: nil, standing_words: match(/, meanwhile product moved/))
    expect(board.stuck).to eq 1
  end

  it "waits for no part that is in, for the one nobody ordered first, and for every apprentice's decision" do
    two = job(technician:)
    choose = ->(fan, **more) {
      PartChoice.create!(job: two, motor: Motor.order(:id).offset(fan).first, user: technician,
        fan_position: two.unit.position("evaporator-#{fan}"), fault: "evaporator-#{fan}.1", **more)
    }
    first, second = choose.call(1, offer: {}, ready_at: noon + 7200), choose.call(2)
    expect(entry(two).standing_words).to eq "waits for an order for #{second.motor.part_no}"
    second.update!(fitted_at: noon)
    expect(entry(two).standing_words).to start_with "waits for part #{first.motor.part_no}"
    first.update!(fitted_at: noon)
    expect(entry(two).waits_for).to be_nil
    apprentice = create(:user, role: "apprentice")
    [[1, apprentice], [2, technician]].each do |fan, user|
      Decision.create!(job: two, user:, fan_position: two.unit.position("evaporator-#{fan}"),
        fault: "evaporator-#{fan}.1", causes: ["bearing_worn"], proposed: "bearing_worn", action: "replace",
        standing: {}, client_id: SecureRandom.uuid, taken_at: noon + fan)
    end
    expect(entry(two).waits_for).to eq "a technician's countersign"
  end

  it "lays out each technician's visits in order, and those of nobody who has left" do
    one, other = job, job
    gone = create(:user, active: false)
    later = one.visits.create!(technician:, starts_at: noon + 7200)
    sooner = other.visits.create!(technician:, starts_at: noon + 3600)
    one.visits.create!(technician: gone, starts_at: noon + 3600)
    lane = board.lanes.find { |user, _| user == technician }
    expect(lane.last.map(&:first)).to eq [sooner, later]
    expect(board.lanes.map(&:first)).not_to include gone
  end

  it "names the days ahead on its line, and never two words in one place" do
    [0, 6, 12, 18, 23].each do |hour|
      marks = described_class.new(now: Time.local(2031, 5, 7, hour, 30)).marks
      said = marks.reject { |_, words, _| words.empty? }
      places = said.map(&:first).sort
      expect(said.map { |_, words, _| words }).to include("Fri", "Sat")
      expect(places.each_cons(2).map { |one, two| two - one }.min).to be >= described_class.const_get(:WORD)
      expect(marks.map(&:first).min).to be >= described_class.const_get(:WORD)
    end
  end
end
