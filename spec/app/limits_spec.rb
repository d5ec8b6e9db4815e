# frozen_string_literal: true

require_relative "app_spec_helper"

# Limits that only a screen or a record reads: moved in the shop's settings, each changes
# what is shown or kept.
RSpec.describe Fenbo::Limits, :rolled_back do
  let(:unit) { create(:unit) }
  let(:job) { create(:job, unit:) }
  let(:fan) { unit.fan_positions.first }

  # What the block answers by the trade's figure and by the shop's own.
  def moved(name, value)
    usual = yield
    Setting.write("limits", {name => value})
    [usual, yield]
  end

  it "takes a unit for safe only so long after it was proved dead" do
    hand = file(job).fan_in_hand
    gate = Fenbo::WorkPlan::Progress.of(file(job)).plan.gate
    gate.each do |step|
      WorkStep.create!(job:, fan_position: fan, task: "#{hand.side}_fan_motor", step: step.id, user: create(:user),
        done_at: 5.hours.ago)
    end
    safe = lambda do
      Fenbo::WorkPlan::Progress.of(file(job), limits: Shared::Shop.limits, now: Time.now).safe?
    end
    expect(moved("work_plan.gate_hours", 4, &safe)).to eq [true, false]
  end

  it "takes a complaint for a return only so long" do
    earlier = create(:job, unit:, status: "closed", opened_at: 100.days.ago)
    Decision.create!(job: earlier, user: create(:user), fan_position: fan, causes: %w[bearing_worn], action: "repair",
      proposed: "bearing_worn",
      taken_at: 100.days.ago, client_id: SecureRandom.uuid, standing: {})
    listed = lambda do
      sign_in create(:user)
      get("/jobs/#{job.number}/call")
      page.match?(/job #{earlier.number},/)
    end
    expect(moved("job.comes_back_days", 50, &listed)).to eq [true, false]
  end

  it "lets a customer's link work only so long" do
    ends = lambda do
      sign_in create(:user)
      get "/jobs/#{job.number}/hand_over"
      send_form "/jobs/#{job.number}/sheet"
      (SheetLink.last.expires_at.to_date - Date.today).to_i
    end
    expect(moved("job.sheet_link_days", 7, &ends)).to eq [30, 7]
  end

  it "gives a fitted motor its warranty" do
    motor = Motor.first
    until_when = lambda do
      one = create(:job, unit: Unit.find(unit.id), fan_position: fan)
      PartChoice.create!(job: one, motor:, user: create(:user), fan_position: fan)
      Logbook.new(Job.find(one.id), create(:user)).take(Entries::Fitted.new(fault: fan.key))
      fan.fitted_motors.reload.max_by(&:id).tap { |fitted| fitted.update!(installed_on: Date.today - 1) }.warranty_until
    end
    usual, own = moved("fitting.warranty_months", 60, &until_when)
    expect([usual, own]).to eq [Date.today >> 24, Date.today >> 60]
  end

  it "reads no longer a log than it should" do
    log = (0..30).map { |minute| "#{minute}; #{12 - minute / 5.0}" }.join("\n")
    fault = lambda do
      meter = Shared::Instrument.of("pulldown", {"setpoint" => "4", "readings" => log}, user: create(:user))
      meter.ask
      meter.faults["readings"]
    end
    expect(moved("pulldown.most_readings", 20, &fault)).to match [nil, /More than 20 lines/]
  end

  describe "beside the parts" do
    effects = Struct.new(:old_watts, :watts)
    part = Struct.new(:part_no, :effects)
    let(:ec) { part.new("EC", effects.new(60.0, 20.0)) }
    let(:plain) { part.new("PLAIN", effects.new(60.0, 57.0)) }
    let(:search) do
      prices = {"EC" => 20_000, "PLAIN" => 12_000}
      Struct.new(:candidates, :job, :position, :prices) {
        def price_cents(part_no)
          prices[part_no]
        end
      }
        .new([ec, plain], file(job), file(job).unit.fans.first, prices)
    end

    it "counts a box as a freezer below its setting" do
      unit.update!(setpoint_c: -12)
      saved = -> { Stations::Match::EnergyOf.of(search, ec).saved_cents }
      warmer, colder = moved("energy.freezer_c", -15, &saved).reverse
      expect(colder).to be > warmer
    end

    it "holds a thrifty motor against the cheapest that is no thriftier than the old one" do
      extra = -> { Stations::Match::EnergyOf.of(search, ec).payback_years }
      usual, own = moved("energy.alike", 0.99, &extra)
      expect(own).to be > usual
    end

    it "names spacers of the usual thickness" do
      form = Struct.new(:asked_question, :result).new(
        Fenbo::Tools.entry("fit").example.merge("L" => 58, "t" => 0.0, "n_max" => 0, "key" => nil, "O" => nil),
        Struct.new(:verdict).new("does_not_fit")
      )
      ways = -> { Stations::Match::WaysOut.new(search, "EC", form).send(:spacers)&.title }
      usual, own = moved("fit.usual_spacer", 3.0, &ways)
      expect([usual, own]).to match [/of 1\.6 mm/, /of 3 mm/]
    end
  end

  it "takes the same look again within minutes for one" do
    [300, 0].each do |ago|
      Logbook.new(Job.find(job.id), create(:user), now: Time.now - ago)
        .take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test: "noise", outcome: "grinding"))
    end
    looks = lambda do |limits|
      Fenbo::Diagnosis::JobCase.new(file(job), file(job).unit.fans.first, now: Time.now, minute_cost: 1,
        limits:).to_h["findings"].size
    end
    default = described_class.default
    expect([default, default.with("looking.same_look_minutes" => 2)].map(&looks)).to eq [1, 2]
  end

  it "asks nothing again that was answered last within minutes, and takes what was come back to for a second look" do
    seen = [%w[noise ticking], %w[blade_state touching], %w[noise ticking]]
    seen.each_with_index do |(test, outcome), index|
      Logbook.new(Job.find(job.id), create(:user), now: Time.now - 60 * (3 - index))
        .take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test:, outcome:))
    end
    rows = lambda do |limits|
      Fenbo::Diagnosis::JobCase.new(file(job), file(job).unit.fans.first, now: Time.now, minute_cost: 1,
        limits:).to_h["findings"].map { |row| [row["test"], row["just"]] }
    end
    looked = [["noise", nil], ["blade_state", nil]]
    expect(rows[described_class.default]).to eq looked + [["noise", true]]
    expect(rows[described_class.default.with("looking.same_look_minutes" => 0.5)]).to eq looked + [["noise", nil]]
    # Several kept with one press were all answered last.
    %w[drain_check:blocked door_seal:good].each do |seen|
      test, outcome = seen.split(":")
      Logbook.new(Job.find(job.id), create(:user))
        .take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test:, outcome:))
    end
    expect(rows[described_class.default].last(3)).to eq [["noise", nil], ["drain_check", true], ["door_seal", true]]
  end

  it "counts a motor fitted lately by an earlier job as recent work" do
    fan = job.unit.fan_positions.first
    lately = lambda do |days_before, limits|
      fan.motor_now.update!(installed_on: job.opened_at.to_date - days_before)
      whole = file(job.reload)
      Fenbo::Diagnosis::JobCase.new(whole, whole.unit.fans.first, now: Time.now, minute_cost: 1, limits:)
        .to_h["context"]["recent_work"]
    end
    default = described_class.default
    expect([0, 1, 60, 61].map { |days| lately[days, default] }).to eq [false, true, true, false]
    expect(lately[61, default.with("looking.recent_work_days" => 90)]).to be true
  end

  it "takes a cover for off, and a dead answer, only so long as well" do
    fan = file(job).unit.fans.first.key
    put = ->(entry, ago) { Logbook.new(Job.find(job.id), create(:user), now: Time.now - ago * 3600).take(entry) }
    put[Entries::State.new(state: "D"), 9]
    put[Entries::Finding.new(id: SecureRandom.uuid, fan:, test: "shaft_play", outcome: "none"), 8.5]
    told = lambda do |limits|
      asked = Fenbo::Diagnosis::JobCase.new(file(job), file(job).unit.fans.first, now: Time.now, minute_cost: 1,
        limits:)
      grip = Fenbo::Diagnosis::Test["hub_grip"]
      read = Fenbo::Diagnosis::CaseFile.read(Fenbo::Input.new(asked.to_h))
      way = Fenbo::Diagnosis::Offer.new(read, read.equipment).minutes(grip) - grip.minutes
      [asked.to_h["state"], file(job).dead?(Time.now, limits), way.zero?]
    end
    long = described_class.default.with("work_plan.gate_hours" => 10)
    expect(told[long]).to eq ["D", true, true]
    expect(told[described_class.default]).to eq ["L", false, false]
    sign_in create(:user)
    get "/jobs/#{job.number}/measure?fan=#{fan}"
    expect(page).to match(/Proved dead\s.*?that is too long ago\.\s+Prove it anew/m)
    send_form "/jobs/#{job.number}/findings", fan:, test: "winding_ohms", outcome: "open", client_id: SecureRandom.uuid
    expect([status, page]).to match [422, include("Prove it dead first")]
  end

  it "asks about milliamps where a bare number is far beyond the plate" do
    fault = lambda do |amps|
      meter = Shared::Instrument.of("amps", {"amps" => amps, "turning" => "yes"}, user: create(:user), job: file(job),
        fan: file(job).unit.fans.first)
      meter.ask
      meter.faults["amps"]
    end
    expect(%w[0.35 350\ A 350\ mA].map(&fault)).to all be_nil
    expect(moved("amps.milliamps", 1000) { fault["350"] }).to match [/milliamps\? Write “350 mA”/, nil]
  end

  it "calls fans alike beside their neighbours" do
    beside = lambda do |limits|
      bank = Fenbo::Electrical::Bank.new(file(job), limits:)
      bank.define_singleton_method(:reference) { |_, _| [1.0, 1.0] }
      bank.beside(file(job).unit.fans.first, 1.12)
    end
    default = described_class.default
    expect([default, default.with("bank.alike" => 0.5)].map(&beside)).to eq %w[higher alike]
  end
end
