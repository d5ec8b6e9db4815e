# frozen_string_literal: true

require_relative "app_spec_helper"
require "nokogiri"

RSpec.describe "The blade that goes with the motor", :rolled_back do
  let(:job) { Job.open.joins(:unit).find_by!(units: {name: "Cheese cellar 2"}) }
  let(:fan) { job.position_in_hand }
  let(:old) { fan.motor_now }

  before do
    sign_in create(:user)
    get "/jobs/#{job.number}/match"
  end

  def blade
    Nokogiri.HTML5(page).at_css('section[aria-label="Blade"]').text.squeeze(" \n")
  end

  it "is looked at where it is judged, and does not go back on once it is cracked" do
    expect(blade).to include "It may go back on if it is sound"
    send_form "/jobs/#{job.number}/findings",
      fan: fan.key,
      test: "blade_state",
      outcome: "cracked_or_missing",
      back: "match"
    expect(last_response.location).to end_with "/jobs/#{job.number}/match?fan=#{fan.key}"
    follow_redirect!
    expect(blade).to include "cracked at a root"
    # Hub and shaft are twisted by hand: never before the unit is proved dead.
    job.update!(state: "L")
    send_form "/jobs/#{job.number}/findings", fan: fan.key, test: "hub_grip", outcome: "tight", back: "match"
    expect([status, page]).to match [422, include("Prove it dead first")]
  end

  it "minds the width of the opening that was measured with the place" do
    place = {old_seat: 8, hub: 14, towards_motor: 4, towards_front: 18, guard: 60, tolerance: 0.5}
    get "/jobs/#{job.number}/fitting?fan=#{fan.key}&part=BR-U12-230"
    send_form "/jobs/#{job.number}/fitting", fan: fan.key, part: "BR-U12-230", ring: old.blade_diameter_mm + 30, **place
    get "/jobs/#{job.number}/fitting?fan=#{fan.key}&part=BR-U12-230"
    expect(Nokogiri.HTML5(page).text.squeeze(" \n")).to include("15 mm at the tips, wanted 3 to 8")
    get "/jobs/#{job.number}/match?fan=#{fan.key}"
    expect(blade).to include "was it ever the right one?"
  end

  it "takes no blade that is not among those for this fan, and keeps the one chosen" do
    send_form "/jobs/#{job.number}/match",
      fan: fan.key,
      part: Stations::Match::PartSearch.new(file(job), file(job).unit.fan(fan.key)).candidates.first.part_no
    get "/jobs/#{job.number}/match?fan=#{fan.key}"
    offered = Nokogiri.HTML5(page).css('input[name="blade"]').map { |one| one["value"] }
    other = Blade.where.not(part_no: offered).first.part_no
    send_form "/jobs/#{job.number}/match/blade", fan: fan.key, blade: other
    expect([status, page]).to match [422, include("does not suit")]
    send_form "/jobs/#{job.number}/match/blade", fan: fan.key, blade: offered.last
    expect(file(job).part_choice.blade.part_no).to eq offered.last
  end
end
