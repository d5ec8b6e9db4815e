# frozen_string_literal: true

require_relative "app_spec_helper"
require "nokogiri"

RSpec.describe "Does it fit?", :rolled_back do
  let(:job) { Job.open.joins(:unit).find_by!(units: {name: "Seed vault"}) }
  let(:fan) { job.position_in_hand }
  let(:kept) { file(job).unit.fan(fan.key).place.question }
  let(:path) { "/jobs/#{job.number}/fitting?fan=#{fan.key}&part=BR-U12-230" }

  before do
    sign_in create(:user)
    get path
  end

  def words = Nokogiri.HTML5(page).text.squeeze(" \n")

  # The place as it was kept, with some of it measured anew.
  def measure(**change)
    typed = {
      old_seat: 13,
      guard: 46,
      orifice: 20,
      ring: 312,
      boss: 1.5,
      hub: 14,
      towards_motor: 4,
      towards_front: 18,
      spacer: 1.6,
      spacers: 2,
      tolerance: 0.5
    }
    send_form "/jobs/#{job.number}/fitting", fan: fan.key, part: "BR-U12-230", **typed.merge(change)
    get path
  end

  it "offers ways out of a shaft that is too long: spacers counted out, the original, another shaft" do
    expect(words).to include(
      "BR-U12-230 does not fit here.",
      "0.8 mm too long for the guard",
      "3 spacers of 1.6 mm",
      "guard and ring out 4.8 mm",
      "The original, BR-S12-230-L",
      "Another shaft,"
    )
    expect(words).not_to include("Measure again")
  end

  it "calls a miss within the caliper's error too close, either side of the limit, and asks to measure again" do
    measure guard: 46.5 # 0.3 mm short
    expect(words).to include("Too close to call for guard", "±0.5 mm decides on guard", "Measure again")
    measure guard: 47.1 # 0.3 mm to spare
    expect(words).to include("Too close to call.", "0.3 mm to spare")
    measure guard: 47.1, tolerance: 0.2
    expect(words).to include("It fits with 2 spacers.")
    expect(words).not_to include("Too close to call")
  end

  it "keeps what was typed beside what is wrong with it, and every measuring of the place" do
    before = fan.readings.where(kind: "fit").count
    send_form "/jobs/#{job.number}/fitting",
      fan: fan.key,
      part: "BR-U12-230",
      hub: "a thumb",
      towards_motor: "4",
      towards_front: "-4",
      guard: "46"
    expect([status, page]).to match [422, include("a thumb", "not understood")]
    expect(fan.readings.where(kind: "fit").count).to eq before
    2.times { measure guard: 50 }
    expect(fan.readings.where(kind: "fit").count).to eq before + 2
    expect(kept["G"]).to eq 50
  end

  it "takes a seat with the part only where it holds" do
    measure guard: 60
    chosen =
      lambda do |seat|
        send_form "/jobs/#{job.number}/match", fan: fan.key, part: "BR-U12-230", seat_mm: seat, spacers: 0
        file(job).part_choice.seat_mm
      end
    expect([chosen["99"], chosen["nowhere"], chosen["14.5"]]).to eq [nil, nil, 14.5]
    expect(file(job).part_choice.motor.part_no).to eq "BR-U12-230"
  end
end
