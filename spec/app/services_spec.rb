# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe "the services", :rolled_back do
  let(:now) { Time.utc(2031, 5, 5, 12) }

  describe Fenbo::Product::JobClock do
    def clock(at: now, **job)
      described_class.new(
        build(:job, unit: create(:unit), box_c: 4.0, box_read_at: now, product_limit_c: 8.0, drift_end_c: 14.0, **job),
        now: at
      )
    end

    it "runs from when the box was read, at the pace of two readings where there are two" do
      family = clock.hours_left
      expect(family).to be_within(0.01).of(14 * Math.log(10 / 6.0))
      expect(clock(at: now + 3600).hours_left).to be_within(0.01).of(family - 1)
      expect(clock(earlier_c: 3.0, earlier_hours_ago: 2.0).hours_left).to be_within(0.02).of(
        2 / Math.log(11 / 10.0) * Math.log(10 / 6.0)
      )
    end

    it "is past, waits, or is not known, and stops when the job is proved or closed" do
      expect(clock(at: now + 48 * 3600)).to be_past
      expect(clock(drift_end_c: 7.0)).to have_attributes(verdict: "waits", hours_left: nil, past?: false)
      expect(clock(box_c: nil)).to have_attributes(known?: false, hours_left: nil, rise_per_hour: nil)
      expect(clock(status: "closed")).to be_stopped
    end

    it "says what it still wants, and nothing that is noted with the unit" do
      expect(clock.wants).to eq []
      unit = create(:unit, product_limit_c: nil, drift_end_c: 20)
      expect(clock(unit:, box_c: nil, product_limit_c: nil, drift_end_c: nil).wants)
        .to eq ["what the box reads", "what its product must stay below"]
    end

    it "reckons where the box should be now" do
      expect(clock(at: now + 14 * 3600).now_c).to be_within(0.01).of(14 - 10 / Math::E)
    end
  end

  describe Shared::Form do
    def typed(**params)
      described_class.new(
        params.transform_keys(&:to_s).then { |hash| Sinatra::IndifferentHash.new.merge(hash) },
        system: "us"
      )
    end

    it "understands money, wholes, flags, times and quantities, and keeps each fault at its field" do
      form = typed(a: "1 250,50 €", b: "12", c: "1", d: "2031-05-05T15:20", e: "41", f: "3/4")
      expect(
        [
          form.cents(:a),
          form.whole(:b, 1..20),
          form.flag(:c),
          form.time(:d),
          form.quantity(:e, "temperature"),
          form.quantity(:f, "length")
        ]
      ).to eq [125_050, 12, true, Time.local(2031, 5, 5, 15, 20), 5.0, 19.05]
      expect(form).to be_clean
      most = typed(a: "20000000", b: "20000000.01", c: "999999999999")
      expect([most.cents(:a), most.cents(:b), most.cents(:c)]).to eq [2_000_000_000, nil, nil]
      expect(most.faults.values).to all include "At most 20\u00a0000\u00a0000.00\u00a0€"
      grouped = typed(a: "1,250.50", b: "1.250,50", c: "1,250")
      expect([grouped.cents(:a), grouped.cents(:b), grouped.cents(:c)]).to eq [125_050, 125_050, nil]
      wrong = typed(a: "12.345", b: "21", d: "2031-13-45T99:00", e: "hot", t: "x" * 50)
      [
        wrong.cents(:a),
        wrong.whole(:b, 1..20),
        wrong.time(:d),
        wrong.quantity(:e, "temperature"),
        wrong.text(:t, longest: 9),
        wrong.choice(:z, %w[a], required: "Choose.")
      ]
      expect(wrong.faults.keys).to eq %w[a b d e t z]
    end

    it "writes and reads money as where it is paid with" do
      allow(Setting).to receive(:currency).and_return(Money::Currency.new("USD"))
      expect([Shared::Shop.money(180_000), Shared::Shop.money(-500)]).to eq ["$1,800.00", "−$5.00"]
      expect(typed(a: "$1,800.00").cents(:a)).to eq 180_000
    end

    it "lets what is optional be empty" do
      form = typed(a: " ", b: "")
      expect(
        [
          form.cents(:a),
          form.whole(:b, 1..2),
          form.quantity(:c, "length"),
          form.time(:d),
          form.text(:e),
          form.choice(:f, %w[a])
        ]
      ).to all(be_nil)
      expect(form).to be_clean
    end
  end

  describe Fenbo::Diagnosis::JobCase do
    it "tells the core what stands: motors, age, live findings, the unit's state" do
      unit = create(:unit)
      technician = create(:user)
      job = create(:job, unit:, recent_work: true, state: "D", state_at: Time.now)
      one, other = unit.fan_positions
      keep = ->(test, outcome, position, **more) do
        Finding.create!(
          job:,
          user: technician,
          test:,
          outcome:,
          fan_position: position,
          client_id: SecureRandom.uuid,
          taken_at: Time.now,
          **more
        )
      end
      keep["fan_motion", "stopped", one, taken_at: 2.minutes.ago]
      keep["noise", "silent", one, voided_at: Time.now]
      keep["fan_motion", "normal", other, taken_at: 1.minute.ago]
      keep["door_seal", "good", nil]
      question = described_class.new(file(job), fan(job), now: Time.now, minute_cost: 1.6).to_h
      expect(question).to include(
        "position" => "evaporator-1",
        "state" => "D",
        "context" => include("recent_work" => true, "age_years" => be_within(0.2).of(4.1))
      )
      expect(question["findings"]).to eq [
        {"test" => "fan_motion", "outcome" => "stopped", "position" => "evaporator-1"},
        {"test" => "fan_motion", "outcome" => "normal", "position" => "evaporator-2"},
        {"test" => "door_seal", "outcome" => "good", "just" => true}
      ]
      expect(Fenbo.call(:diagnose, question)).not_to be_refused
    end
  end

  describe Day::Board do
    it "puts what cannot wait first and says what a job is stuck for" do
      board = described_class.new(now: Time.now)
      hours = board.entries.map { |entry| entry.limit_in_hours || 1e6 }
      expect(hours).to eq hours.sort
      stuck = board.entries.to_h { |entry| [entry.job.unit.name, entry.waits_for] }
      expect(stuck["Sample store A"]).to eq "a technician's countersign"
      expect(stuck["Seed vault"]).to start_with "part BR-S12-230-L"
      expect(board.lanes.map { |user, _| user.login }).to contain_exactly("ilka", "jorun", "pavo", "sefa")
    end

    it "shades exactly the hours outside work" do
      widths = described_class.new(now: Time.local(2031, 5, 5, 7, 30)).nights
      first = widths.first
      expect(first.first).to be_within(0.1).of(Day::Line.x(9.5))
      expect(widths.map { |from, to| to > from }).to all(be true)
    end
  end

  describe Stations::Match::PartSearch do
    it "finds a drop-in for every shaded-pole position of the demo world, near misses with their reasons" do
      unit = Unit.find_by(name: "Cheese cellar 2")
      job = Job.open.find_by(unit:)
      search = described_class.new(file(job), fan(job))
      expect(search.candidates).to include(have_attributes(part_no: "BR-S12-230-L", grade: "drop_in"))
      expect(search.rejected.flat_map(&:checks)).to all(have_attributes(result: "fail", reason: be_present))
    end

    it "judges by what the motor drew while it was well" do
      job = create(:job)
      position = job.unit.fan_positions.first
      Reading.create!(
        job:,
        user: create(:user),
        fan_position: position,
        kind: "amps",
        verdict: "within",
        client_id: SecureRandom.uuid,
        taken_at: Time.now,
        question: {},
        result: {
          "legs" => [{"amps" => 0.33}]
        }
      )
      load = described_class.new(file(job), fan(job)).candidates.first.checks.find { |check| check.check == "load" }
      expect(load.reason).to start_with "0.33 A on"
    end
  end

  describe Suppliers::Desk do
    it "answers the same for the same part, with what source needs" do
      motor = Motor.find_by(part_no: "VE-P125-BB")
      Current.van = nil
      expect(described_class.offers(motor).map { |one| one["kind"] }).not_to include("van")
      Current.van = User.find_by!(login: "ilka").uid
      offers = described_class.offers(motor)
      expect(offers).to eq described_class.offers(motor)
      expect(offers.map { |one| one["kind"] }).to include("van", "counter", "order")
      answer = Fenbo.call(:source, Fenbo::Tools.entry("source").example.merge("offers" => offers))
      expect(answer).not_to be_refused
      expect(described_class.name_of("tarn")).to eq "Tarn counter"
    end
  end

  describe "closing a job" do
    let(:technician) { create(:user) }
    let(:apprentice) { create(:user, role: "apprentice") }

    def close(job, user)
      Logbook.new(job.reload, user).take(Entries::Close.new)
    end

    def ready_job(by)
      create(:job).tap do |job|
        Decision.create!(
          job:,
          user: by,
          causes: ["winding_open"],
          proposed: "winding_open",
          action: "replace",
          standing: {},
          client_id: SecureRandom.uuid,
          taken_at: Time.now
        )
        Handover.create!(job:, user: by, signed_name: "Berit", signature: [[[0, 0], [1, 1]]], signed_at: Time.now)
      end
    end

    it "wants a cause and a signature, then ends the visit; a motor that was confirmed is in the history" do
      expect { close(create(:job), technician) }.to raise_error(Logbook::Refused, /Decide on a cause/)
      job = ready_job(technician)
      visit = Visit.create!(job:, technician:, starts_at: Time.now - 3600)
      PartChoice.create!(
        job:,
        user: technician,
        fan_position: job.unit.fan_positions.first,
        motor: Motor.find_by(part_no: "BR-S12-230-R"),
        offer: {
          "offer" => "tarn",
          "source" => "Tarn counter"
        }
      )
      2.times { Logbook.new(Job.find(job.id), technician).take(Entries::Fitted.new(fault: "evaporator-1")) }
      close(job.reload, technician)
      position = job.unit.fan_positions.first.reload
      expect(position.motor_now).to have_attributes(
        part_no: "BR-S12-230-R",
        source: "Tarn counter",
        blade_bore_mm: 6.35
      )
      expect(position.fitted_motors.count(&:removed_on)).to eq 1
      expect([job.reload.status, visit.reload.ends_at]).to match ["closed", be_present]
    end

    it "holds an apprentice's closing until a technician countersigns both" do
      job = ready_job(apprentice)
      expect { close(job, apprentice) }.to raise_error(Logbook::Refused, /countersign/)
      job.decision.update!(countersigned_by: technician, countersigned_at: Time.now)
      close(job, apprentice)
      expect(job.reload.status).to eq "awaiting_countersign"
      Logbook.new(job, technician).take(Entries::CloseCountersign.new)
      expect(job.reload).to have_attributes(status: "closed", closed_by: apprentice, countersigned_by: technician)
    end
  end

  describe Stations::HandOver::Pdf do
    it "survives the longest names, scripts it has no letters for, and an empty job" do
      require "pdf/reader"
      unit = create(:unit, name: "Käsekeller " * 9)
      job = create(:job, unit:, complaint: "Łódź, 冷蔵庫, “quotes”, 6 µF ±6 %, Ω\n" * 20)
      page = Shared::Route.new!
      page.instance_variable_set(:@current_user, create(:user))
      report = Stations::HandOver::Report.new(file(job), limits: Fenbo::Limits.default, shop: "Tarn Cooling")
      reader =
        PDF::Reader.new(
          StringIO.new(
            described_class.new(report, page).render
          )
        )
      expect(reader.pages.first.text).to include("Käsekeller").and include("Łódź")
      text = reader.pages.map(&:text).join
      # What its letters lack is named; where nothing was worked on, nothing is to be proved.
      expect(text).to include("[U+51B7]").and include("Not signed")
      expect(text).not_to include "Still to be proved"
    end
  end
end
