# frozen_string_literal: true

require_relative "app_spec_helper"

# Every form reads all its fields before it refuses, and names each wrong one.
RSpec.describe Shared::Form, :rolled_back do
  def typed(**params)
    Sinatra::IndifferentHash.new.merge(params.transform_keys(&:to_s))
  end

  let(:user) { create(:user) }
  let(:unit) { create(:unit) }
  let(:job) { create(:job, unit:) }

  it "refuses a unit by every field, and keeps nothing of it" do
    form = Units::Form.new(
      Unit.new, typed(name: "", site: "9x", family: "boat", supply_volts: "", supply_phases: "7", setpoint: "mild",
        product_value: "-5", installed_year: "1066", evaporator_fans: "40", lock_version: "x"), user
    )
    expect { expect(form.save).to be false }.not_to change(Unit, :count)
    expect(form.faults.keys).to include("name", "site", "family", "supply_volts", "supply_phases", "setpoint",
      "product_value", "installed_year", "evaporator_fans")
    expect(form.faults["product_value"]).to eq "An amount from 0 up, with at most two decimals: “1250.50”."
  end

  it "refuses a customer with its site by every field, and keeps neither" do
    form = Customers::Form.new(Customer.new,
      typed(name: "", approval_limit: "much", site_name: "x" * 200, phone: "1" * 60))
    expect { expect(form.save).to be false }.not_to change { [Customer.count, Site.count] }
    expect(form.faults.keys).to contain_exactly("name", "approval_limit", "site_name", "phone")
    form = Customers::Form.new(Customer.new, typed(name: "Quay House", site_name: " ", site_address: "Quay 3"))
    expect { expect(form.save).to be false }.not_to change { [Customer.count, Site.count] }
    expect(form.faults).to eq "site_name" => "Which site is that? Give its name."
  end

  it "refuses a plate by every field, and leaves the motor as it was" do
    position = unit.fan_positions.first
    before = position.motor_now.attributes
    form = Units::PlateForm.new(
      position, typed(family: "steam", volts: "many", amps: "0/0", rotation: "cw", poles: "1", rpm: "fast",
        hertz: "fifty",
        horsepower: "donkey", blade_pitch: "90", plate_line: "x" * 500), user
    )
    expect(form.save).to be_falsy
    expect(form.faults.keys).to include("family", "volts", "amps", "rotation_view", "poles", "rpm", "hertz",
      "horsepower",
      "blade_pitch", "plate_line")
    expect(position.reload.motor_now.attributes).to eq before
  end

  it "refuses a call by every field, and opens no job" do
    form = Stations::Call::Form.new(typed(unit: "none", complaint: " ", box: "hot", limit: "1e9", product_value: "x"),
      user)
    expect { expect(form.save(SecureRandom.uuid)).to be_nil }.not_to change(Job, :count)
    expect(form.faults.keys).to contain_exactly("unit", "complaint", "box", "limit", "product_value")
  end

  it "refuses a hand over by every field, a scribble too" do
    wrong = {next_visit_at: "2031-02-30T25:00", summary: "x" * 5000, signature: "[[[2, 0], [0, 1]]]"}
    form = Stations::HandOver::Form.new(typed(**wrong))
    expect(form.read).to be false
    expect(form.faults.keys).to contain_exactly("next_visit_at", "summary", "signature")
    unsigned = Stations::HandOver::Form.new(typed(signature: "[[[0.1, 0.2], [0.3, 0.4]]]", signed_name: " "))
    expect(unsigned.read).to be false
    expect(unsigned.faults.keys).to eq ["signed_name"]
    named = ->(signed, **more) {
      Stations::HandOver::Form.new(typed(signed_name: "R. Aalto", **more), signed:).tap(&:read).faults
    }
    expect(named.call(nil)).to match("signature" => include("R. Aalto"))
    expect([named.call("R. Aalto"), named.call(nil, unsigned_because: "Nobody here.")]).to all be_empty
  end

  it "keeps what was seen besides by how soon it wants somebody, and older words as to be watched" do
    form = Stations::HandOver::Form.new(typed(seen_now: "gas smell", seen_watch: "drip\n\nrust"))
    expect(form.read).to be true
    kept = ->(text) { Fenbo::JobFile::Handover.new(by: nil, seen_besides: text).graded }
    expect(kept[form.entry.values[:seen_besides]]).to eq("now" => ["gas smell"], "watch" => %w[drip rust])
    expect([kept["Gasket worn."], kept[nil]]).to eq [{"watch" => ["Gasket worn."]}, {}]
  end

  it "refuses settings by every field, one's own and the shop's" do
    mine = Settings::ProfileForm.new(user,
      typed(unit_system: "old", appearance: "", meter_percent: "101", meter_counts: "few"))
    expect(mine.save).to be_falsy
    expect(mine.faults.keys).to contain_exactly("unit_system", "appearance", "meter_percent", "meter_counts")
    shop = Settings::ShopForm.new(typed(shop_name: "", rate: "", trip: "-1", limits: {"amps.window_low" => "half"}))
    expect(shop.save).to be false
    expect(shop.faults.keys).to contain_exactly("shop_name", "rate", "trip", "limits.amps.window_low")
  end

  it "refuses a recording and a map that are none" do
    sound = Stations::Look::SoundForm.new(file(job), fan(job), typed(rpm: "fast", blades: "99"))
    expect(sound.ask("RIFF")).to be false
    expect(sound.faults.keys).to contain_exactly("rpm", "blades")
    expect(Stations::Look::SoundForm.new(file(job), fan(job), typed).tap { |one|
      one.ask(nil)
    }.faults.keys).to eq ["wav"]
    frost = Stations::Look::FrostForm.new(file(job), typed(grid: "[[0, 9]]"))
    expect(frost.ask).to be false
    expect(frost.faults.keys).to eq ["grid"]
  end

  it "refuses a measured place by every length, and asks for those it cannot do without" do
    form = Stations::Match::ClearanceForm.new(fan(job), nil, typed(hub: "x", boss: "", guard: "far", tolerance: "?"),
      user)
    expect(form.ask).to be false
    rows = Stations::Match::ClearanceForm.rows
    expect(form.faults.keys).to include(*rows.select { |_, row| row["needed"] }.keys, "shaft", "tolerance")
  end
end
