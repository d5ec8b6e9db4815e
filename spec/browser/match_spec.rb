# frozen_string_literal: true

require_relative "browser_helper"

# Three errands at Match: what is no longer made, what is too long, what is read off a
# plate and has to be set.
RSpec.describe "finding the right motor" do
  def job_on(unit, fan = unit.fan_positions.first)
    Job.create!(
      unit:,
      fan_position: fan,
      complaint: "A fan has stopped.",
      opened_at: Time.now,
      station: "match",
      technician: User.find_by!(login: "ilka")
    )
  end

  before { sign_in_as "ilka" }

  it "ends a discontinued motor with its blade in one piece in a kit, with its extra work" do
    job = job_on(Unit.find_by!(name: "Hut kitchen"))
    visit "/jobs/#{job.number}/match"
    expect(page).to have_text "No longer made. KA-K4-I took its place."
    within("#part-0") do
      expect(page).to have_css "summary", text: /KA-K4-I.*Conversion/m
      [
        "bend the plate to the opening, drill two holes of 4 mm",
        "blade 154 mm",
        "the old yoke, the old blade",
        "program it to the old speed"
      ].each { |words| expect(page).to have_text words }
    end
    expect(page).to have_css "tr", text: /OS-I4-230.*no longer made/
    within("#part-0") { click_button "Take this one" }
    told "KA-K4-I chosen."
    visit "/jobs/#{job.number}/fit?step=proved_dead"
    find("summary", text: "Exchanged").click
    expect(page).to have_text "Drill two holes of 4 mm."
  end

  it "refuses a universal by four millimetres of shaft, takes the original, and sets its hub by the drawing" do
    unit = Unit.find_by!(name: "Cheese cellar 2")
    job = job_on(unit, unit.position("evaporator-3"))
    visit "/jobs/#{job.number}/match"
    click_link "Does it clear?", match: :first
    visit "/jobs/#{job.number}/fitting?part=BR-U12-230"
    click_button "Keep the measurements"
    expect(page).to have_css ".fault", text: "Without it nothing can be said", count: 3
    fill_in "Guard", with: "4.6 cm"
    fill_in "Length of the hub (needed)", with: "14"
    fill_in "Blade behind the hub (needed)", with: "4"
    fill_in "Blade in front (needed)", with: "18"
    fill_in "Seat of the old hub", with: "9"
    click_button "Keep the measurements"
    told "Measurements of fan 3 kept."
    expect(page).to have_css ".ask h2", text: "BR-U12-230 does not fit here."
    expect(page).to have_text "The shaft is 4 mm too long for the guard"
    click_link(href: /part=BR-S12-230-L/)
    expect(page).to have_css ".ask h2", text: "It fits."
    # Its script comes when the page that needs it is there.
    find("[x-data='fitting'] .fitting-sheet", match: :first).send_keys(:right, :right)
    expect(page).to have_button "Take it, hub at 10 mm"
    find(".fitting-sheet", match: :first).send_keys(*[:left] * 10)
    expect(page).to have_button "Take it, fit not proved"
    fill_in "Hub at", with: "10.5"
    click_button "Look at this seat"
    click_button "Take it, hub at 10.5 mm"
    told "BR-S12-230-L chosen with the hub at 10.5 mm."
    visit "/jobs/#{job.number}/fit?step=blade_off_back"
    expect(page).to have_content "Chosen on the drawing: 10.5 mm"
  end

  it "reads a condenser motor off its plate and takes a dual-voltage universal with capacitor and swapped leads" do
    unit =
      FactoryBot.create(
        :unit,
        name: "Plate roof",
        family: "remote_condenser",
        fans: 0,
        ambient_low_c: -20,
        ambient_high_c: 45
      )
    fan = FanPosition.create!(unit:, side: "condenser", number: 1)
    job = job_on(unit.reload, fan)
    visit "/jobs/#{job.number}/match"
    click_link "Note the plate"
    fill_in "The plate in one line",
      with: "230 V 1,1 A 227 W 900/1080 RPM 50/60 Hz 6P PSC 5 µF 370 VAC CWLE TEAO 1 PH shaft 1/2\" FR 48"
    click_button "Read the line"
    expect(page).to have_css "section",
      text: /run capacitor, rated 370 V.*clockwise from the lead end.*rpm 900 worked out.*Not understood: FR 48/m
    expect(page).to have_field "Shaft diameter", with: "12.7"
    fill_in "Watts in", with: "400"
    click_button "Read the line"
    expect(page).to have_css ".clash", text: "400 W at 230 V and 1.1 A would be a power factor of 1.58"
    fill_in "Watts in", with: "227"
    fill_in "Mount", with: "belly_band"
    click_button "Keep the plate"
    told "Plate of fan 1 kept."
    universal = find("details", text: "VE-U125-DV")
    universal.find("summary").click unless universal[:open]
    within(universal) do
      [
        "230 V tap for 230 V",
        "connect it for 230 V",
        "swap its marked leads so that it turns counter-clockwise from the shaft end",
        "run capacitor 5 µF, new"
      ].each { |words| expect(page).to have_text words }
      click_button "Take this one"
    end
    told "VE-U125-DV chosen."
  end
end
