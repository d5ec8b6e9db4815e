# frozen_string_literal: true

require_relative "app_spec_helper"

# Figures and what was found, decided and chosen, in words, as pages and papers say them.
RSpec.describe Shared::Words, :made_jobs, :rolled_back do
  let(:si) { Shared::Voice.new(Struct.new(:unit_system).new("si")) }
  let(:us) { Shared::Voice.new(Struct.new(:unit_system).new("us")) }

  it "says hours as far as they matter" do
    told = {nil => "–", 0.0 => "0 h 00", 6.34 => "6 h 20", 47.99 => "47 h 59", 48.0 => "2 d 0 h", 100.5 => "4 d 4 h"}
    expect(told.keys.to_h { |hours| [hours, si.hours_words(hours)] }).to eq told
    expect(si.between_words([23.5, 50.0])).to eq "23 h 30 to 2 d 2 h"
    expect(si.between_words([3.92, nil])).to eq "3 h 55 at the soonest, perhaps never"
    expect([si.between_words(nil), si.between_words([nil, nil])]).to eq [nil, nil]
  end

  it "says a drift in the reader's units, and none that is too small to see" do
    expect([si.drift_words(1.2), us.drift_words(-1.2), si.drift_words(0.04)])
      .to eq ["reckoned now, rising 1.2 K an hour", "reckoned now, falling 2.2 °F an hour", "steady"]
  end

  it "says what an amps reading tells, with its error, its window and the turns that would settle it" do
    question = ->(family, **reading) {
      {"motor" => {"family" => family, "nameplate_amps" => 0.43, "nameplate_volts" => 230, "nameplate_watts" => 40,
                   "turning" => true},
       "reading" => {"turns" => 1, "meter" => {"percent" => 2.0, "counts" => 5, "resolution" => 0.01}, **reading}}
    }
    within = asked("amps", question["shaded_pole", "amps" => [0.4]])
    expect(si.read_words(within)).to match(/\A0\.4 A ± 0\.\d+\z/)
    expect(si.measured_words(within)).to include "window"
    unsure = asked("amps", question["shaded_pole", "amps" => [0.37]])
    expect(si.turns_words(unsure)).to eq ", wrap #{unsure.answer.turns_needed} turns"
    ec = asked("amps", question["ec", "amps" => [0.2], "watts" => 30])
    expect([si.read_words(ec), si.window_words(ec)]).to match ["30 W", end_with(" W")]
    expect(si.measured_words(read("amps", "within"))).to eq "–, within"
    exact = asked("amps", question["shaded_pole", "amps" => [0.4]].merge("reading" => {"amps" => [0.4]}))
    expect([si.read_words(exact), si.turns_words(exact)]).to eq ["0.4 A", nil]
  end

  it "says which meter somebody reads with, or nothing where its accuracy is not known" do
    known = build(:user,
      meter: {"name" => "Small jaw", "percent" => 2.0, "counts" => 5, "resolution" => 0.01, "true_rms" => true})
    expect(si.meter_words(known)).to eq "Small jaw: ±(2.0 % + 5 × 0.01 A), true RMS."
    nameless = build(:user, meter: {"percent" => 1.5, "counts" => 3, "resolution" => 0.1})
    expect(si.meter_words(nameless)).to eq "Your meter: ±(1.5 % + 3 × 0.1 A)."
    expect(si.meter_words(build(:user, meter: {"name" => "Small jaw"}))).to be_nil
  end

  it "says where a limit is from" do
    expect(["shop", "electrical/supply-voltage", nil].map { |source| si.source_words(source) })
      .to eq ["this shop's own limit", "source: electrical, supply voltage", ""]
  end

  it "says how far a part has come, whoever fitted it" do
    fault = ->(**choice) {
      made_job(decisions: [decided("bearing_worn")], part_choices: [chosen(**choice)]).faults.first
    }
    expect(si.part_words(fault.call)).to eq "motor BR-S12-230-L chosen, not ordered yet"
    expect(si.part_words(fault.call(offer: {}))).to eq "motor BR-S12-230-L ordered, not fitted yet"
    expect(si.part_words(fault.call(offer: {"offer" => "van"}))).to eq "motor BR-S12-230-L from the van, not fitted yet"
    expect(si.part_words(fault.call(offer: {"here" => true}))).to eq "motor BR-S12-230-L here, not fitted yet"
    expect(si.part_words(fault.call(fitted_at: at(50), fitted_by: person))).to match(/fitted .* by Ilka Brenn/)
    spare = Fenbo::JobFile::CatalogueSpare.new(part_no: "CT-3-24", kind: "contactor", columns: {})
    expect(si.part_words(fault.call(motor: nil, spare:))).to eq "contactor CT-3-24 chosen, not ordered yet"
    expect(si.fault_words(fault.call)).to eq "Bearing worn, replace. Motor BR-S12-230-L chosen, not ordered yet"
    failed = made_job(decisions: [disproved(decided("mount_loose", action: "repair"))]).faults.first
    expect(si.fault_words(failed)).to eq "Mount loose, repair. Did not prove"
    expect(si.disproved_words(failed)).to start_with "The repair alone did not prove"
  end

  it "leads on from where nothing is to be bought" do
    leads = %w[wait clean replace].to_h do |action|
      fault = made_job(decisions: [decided("evaporator_dirty", fault: "unit.1", action:)]).faults.first
      [action, si.no_part_words(fault)&.values_at(0, 2)]
    end
    expect(leads).to eq "wait" => ["Nothing to buy or take apart", %w[hand_over handover]],
      "clean" => ["Nothing to buy", %w[fit work]], "replace" => nil
  end

  it "says of a motor, a blade and another part what tells it from others, in the reader's units" do
    expect(si.plate_words(made_motor(capacitor_uf: 4.0))).to eq "plate 0.43 A at 230 V, 60 W, 4 µF"
    blade = Fenbo::JobFile::CatalogueBlade.new(part_no: "BL-1", diameter_mm: 254.0, blade_count: 5, pitch_deg: 25.0,
      hub: "clamp_hub", rotation: "cw", air: "pull", price_cents: 1250)
    expect([si.blade_words(blade),
      us.blade_words(blade)]).to match [start_with("254 mm, 5 × 25°, clamp hub"), start_with("10 in")]
  end

  it "says when a better motor is paid, and what tips it" do
    row = {"saved_kwh" => 360, "saved_cents" => 10_080, "payback_years" => 0.6}
    expect(si.upgrade_words(row)).to eq "saves 360 kWh and #{si.money(10_080)} a year, paid back in 0.6 years"
    expect(si.upgrade_words(row.merge("payback_years" => 0.0))).to end_with "at no higher price"
    expect(si.half_time_words(row)).to eq "Run half the hours, it is paid in 1.2 years."
  end

  it "says of work that broke off how often it was tried and whether it is again" do
    broken = WorkQueue::Broken.new("Catalogue::Work::TakeIn", 1, "PG::Error: no room\nmore", false)
    expect(si.broken_words(broken)).to eq "TakeIn broke off, 1 try, tried again: PG::Error: no room"
    given_up = WorkQueue::Broken.new("Upkeep", 4, nil, true)
    expect(si.broken_words(given_up)).to eq "Upkeep broke off, 4 tries, given up: "
  end

  describe Shared::VisitCalendar do
    def event(**entries)
      job = made_job(**entries)
      plan = Fenbo::WorkPlan::Progress.of(job)
      text = described_class.new(words: us).add(job, at: at(600), plan:, visit: "7", purpose: "the new motor").render
      Icalendar::Calendar.parse(text).first.events.first
    end

    it "says where and how long, what to bring and what to look at first" do
      told = event(product_limit_c: 8.0, access_notes: "Key at the mill.", decisions: [decided("bearing_worn")],
        part_choices: [chosen(offer: {"stopgap" => "ice"})], unit: made_unit(quirks: "The door sticks."))
      expect([told.summary, told.location, told.uid]).to eq ["Milk room: the new motor", "Weir lane", "visit-7@fenbo"]
      expect(told.dtend.to_f - told.dtstart.to_f).to be_between(30 * 60, 240 * 60)
      expect(told.description).to include "Bring: BR-S12-230-L", "the box against 46.4 °F",
        "to be undone: rest of the ice out of the box", "The door sticks.", "Key at the mill.", "Tools:"
    end

    it "brings nothing that sits there already, and no limit that nobody knows" do
      told = event(part_choices: [chosen(fitted_at: at(50))]).description
      expect(told).to include "First: the box"
      expect(told).not_to include "Bring:", "against"
    end
  end

  describe Stations::WorkPlan::Shapes do
    it "draws every thing of the plans in its place, and a box for what it does not know" do
      drawn = (described_class::KNOWN + [nil, "unicorn"]).to_h do |shape|
        svg = Shared::Drawing::Svg.new(200, 200, label: "x", css: "y")
        described_class.new(svg).draw(shape, 100, 100, "lit")
        [shape, svg.to_s]
      end
      expect(drawn.values.grep_v(/part-(fine-)?lit/)).to eq []
      expect(drawn[nil]).to eq drawn["box"]
      expect(drawn["unicorn"]).to eq drawn["box"]
      expect(drawn.values.uniq.size).to be >= described_class::KNOWN.size - 2
      used = Fenbo::WorkPlan::Recipe.families.flat_map { |family|
        Fenbo::WorkPlan::Recipe.of(family).all_rows.filter_map { |row| row["shape"] }
      }
      expect(used.uniq - described_class::KNOWN).to eq []
    end
  end
end
