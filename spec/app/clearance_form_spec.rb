# frozen_string_literal: true

require_relative "app_spec_helper"

# What was measured along the shaft, as typed, becomes the question whether the blade clears.
RSpec.describe Stations::Match::ClearanceForm, :made_jobs, :rolled_back do
  let(:user) { build(:user, unit_system: "si") }
  let(:motor) { Struct.new(:shaft_length_mm).new(45.0) }
  let(:typed) do
    {"old_seat" => "18", "guard" => "70", "hub" => "15", "towards_motor" => "4", "towards_front" => "22",
     "spacer" => "5", "spacers" => "4"}
  end

  def fan(**changes) = made_fan("evaporator-1", **changes)

  def form(params = typed, motor: self.motor, position: fan, user: self.user)
    described_class.new(position, motor, params, user)
  end

  def faults(...) = form(...).tap { |one| expect(one.ask).to be false }.faults

  it "asks for the part's own shaft, with what was measured in millimetres" do
    told = form
    expect(told.ask).to be true
    expect(told.asked_question).to include("L" => 45.0, "old_seat" => 18.0, "G" => 70.0, "h" => 15.0, "b_m" => 4.0)
    expect(told.result.verdict).to be_a(String)
    expect(told.layout).not_to be_nil
    inches = form({**typed, "guard" => "2 3/4"}, user: build(:user, unit_system: "us"))
    inches.ask
    expect(inches.asked_question["G"]).to be_within(1e-6).of(69.85)
  end

  it "takes a length below nothing, where the blade begins in front of its hub" do
    lengths = ["-3", "−3 mm", "– 3"].map { |text|
      form({**typed, "towards_motor" => text}).tap(&:ask).asked_question["b_m"]
    }
    expect(lengths).to eq [-3.0, -3.0, -3.0]
  end

  it "names every field that is missing or not understood at once" do
    expect(faults({"hub" => ""}).keys).to match_array %w[hub towards_motor towards_front]
    expect(faults({**typed, "guard" => "far", "spacers" => "99"}).keys).to match_array %w[guard spacers]
    expect(faults({**typed, "tolerance" => "some"}).keys).to eq %w[tolerance]
  end

  it "puts what the core refuses at the field it is about" do
    expect(faults({**typed, "hub" => "0"}).keys).to eq %w[hub]
    backwards = faults({**typed, "key_from" => "30", "key_to" => "10", "screw" => "7"})
    expect(backwards.keys).to eq %w[key_to]
  end

  it "asks for the shaft where the catalogue does not tell it, and takes a typed one" do
    unknown = Struct.new(:shaft_length_mm).new(nil)
    expect(faults(motor: unknown)["shaft"]).to include "measure or ask for it"
    given = form({**typed, "shaft" => "52"}, motor: unknown)
    expect([given.ask, given.asked_question["L"]]).to eq [true, 52.0]
  end

  it "judges a seat that somebody chose, with its spacers" do
    told = form({**typed, "seat" => "19", "spacers_set" => "2"})
    told.ask
    expect(told.asked_question["chosen"]).to eq("seat" => 19.0, "spacers" => 2)
    expect(faults({**typed, "seat" => "there"}).keys).to eq %w[seat]
    expect(form({**typed, "seat" => "19"}).tap(&:ask).asked_question["chosen"]["spacers"]).to eq 0
  end

  it "goes on from what was kept of this fan, and keeps what was typed as its reading" do
    first = form.tap(&:ask)
    entry = first.entry(id: "1")
    expect([entry.fan, entry.kind, entry.typed]).to eq ["evaporator-1", "fit", typed]
    kept = read("fit", "clears", question: entry.question, typed: entry.typed)
    again = form({}, position: fan(place: kept), motor: Struct.new(:shaft_length_mm).new(60.0))
    expect([again.typed?, again.asked?, again.ask, again.value("guard"), again.value("spacers")]).to eq [
      false, true, true, "70", "4"
    ]
    expect(again.asked_question).to include("G" => 70.0, "L" => 60.0)
    expect(form({}).asked?).to be false
  end

  it "says what stays open where something was not measured" do
    open = form({"hub" => "15", "towards_motor" => "4", "towards_front" => "22"}).open_questions.map(&:first)
    expect(open).to include "Guard", "Middle of the opening"
    expect(open).not_to include "Length of the hub", "Keyway begins"
  end
end
