# frozen_string_literal: true

require_relative "browser_helper"
require "net/http"
require "pdf/reader"

# One walk-in job from the customer's call to the signed sheet, as a technician
# would do it, every verdict from the core.
RSpec.describe "a whole job on a walk-in" do
  let(:job) { Job.order(:number).last }

  it "goes through all nine stations and ends in a sheet that says what was found" do
    sign_in_as "ilka"

    click_link "New job"
    select "Cheese cellar 1, Alp Hintertal", from: "Unit"
    click_button "Open the job"
    expect(page).to have_css ".fault", text: "What does the customer say?"
    fill_in "What the customer says", with: "Fan one is dead since the morning."
    fill_in "Box temperature now", with: "41 °F"
    click_button "Open the job"
    told "opened"

    # Call: two readings give the clock; nonsense is answered at its field.
    fill_in "An earlier reading", with: "mild"
    fill_in "How long before", with: "2 h"
    click_button "Keep and look"
    expect(page).to have_css ".fault", text: "not understood as a temperature"
    fill_in "An earlier reading", with: "3,8"
    click_button "Keep and look"
    told "Call kept"
    expect(page).to have_css ".clock .big", text: /\d+ h \d\d/

    # Look: by thumb, by number key, and back again.
    answer "fan_motion", "Stands still"
    expect(page).to have_css ".leader[aria-current]", text: "stands still"
    answer "noise", "Silent"
    find("body").send_keys("u")
    told "Taken back: noise"
    answer "noise", "Silent"
    find("a.leader", text: "2").click
    answer "fan_motion", "Runs"
    find("a.leader", text: "1").click

    # Measure: the clamp, then made safe, then the winding.
    find("[data-next-station]").click
    fill_in "Display", with: "0,00"
    fill_in "Turns in the jaw", with: "5"
    fill_in "Voltage", with: "231"
    choose "Stands still"
    click_button "Keep reading"
    told "Clamp kept: no current"
    expect(page).to have_content "open winding, open protector or open connector"
    expect(page).to have_content "Voltage at the motor in range"
    # The winding's ohms wait until it was proved dead; then the finding follows by itself.
    click_link "Windings"
    read_open_winding
    expect(page).to have_css ".fault", text: "Prove it dead first"
    expect(page).to have_field "A–B", with: "open"
    click_button "Proved dead", match: :first
    told "Proved dead"
    click_link "Windings"
    read_open_winding
    told "Windings kept: a winding is open"
    expect(page).to have_content "Winding resistance open"
    answer "spin_by_hand", "Free"
    # What usually comes with it is still worth a look; the cause is plain.
    expect(page).to have_css "#company", text: "What comes along"
    answer "connector_look", "Good"

    # Decide, with the reasons at hand.
    find("[data-next-station]").click
    expect(page).to have_content "Winding resistance: open"
    choose "Replace"
    click_button "Decide"
    told "Decided: winding open"

    # Match and Source.
    expect(page).to have_css ".ask h2", text: "BR-S12-230-L drops in"
    expect(page).to have_content "Not these, and why"
    click_button "Take this one", match: :first
    told "BR-S12-230-L chosen"
    find("button", text: "Take", match: :first).click
    told "it is."

    # Fit: the gate cannot be passed by, every screw is counted back.
    visit "/jobs/#{job.number}/fit"
    expect(page).to have_css "#step-fans_locked"
    expect(page).to have_no_button "Left out"
    work_through job.number
    expect(page).to have_content "Everything is done: prove it."

    # Prove: before beside after.
    click_link "To Prove"
    fill_in "Display", with: "2,0"
    fill_in "Turns", with: "5"
    fill_in "Voltage", with: "230"
    click_button "Keep the after-reading"
    told "Clamp kept: within"
    fill_in "Box on leaving", with: "4,4"
    click_button "Keep temperatures"
    told "Temperatures kept"
    Fenbo::Proof::Checklist.new(JobSource.numbered(job.number)).checks.each_value { |text| tick(text) }
    expect(page).to have_content "It is proved fixed."

    # Hand over: drawn signature, PDF, closed.
    click_link "To the handover"
    fill_in "What was done", with: "New fan motor on fan 1."
    sign
    fill_in "Signed by", with: "Berit Aldenrath"
    click_button "Keep the handover"
    told "Kept."
    expect(page).to have_css "path.ink-stroke", visible: :all
    click_button "Close the job"
    expect(page).to have_content "Closed by Ilka Torvend"

    text = pdf_text
    [
      "Cheese cellar 1",
      "Fan one is dead since the morning.",
      "Winding open",
      "0 A",
      "no current",
      "BR-S12-230-L",
      "0.4 A",
      "within",
      "New fan motor on fan 1.",
      "Berit Aldenrath"
    ].each { |said| expect(text).to include(said) }
    motor = job.reload.unit.position("evaporator-1").motor_now
    expect(motor).to have_attributes(part_no: "BR-S12-230-L", installed_on: Date.today)
  end

  def tick(text)
    find("li.step", text:).find("button.tick").click
    expect(page).to have_css "li.step.done", text:
  end

  def pdf_text
    address = URI("http://#{Capybara.server_host || "127.0.0.1"}:#{page.server.port}/jobs/#{job.number}/report.pdf")
    cookie = page.driver.cookies["fenbo"].value
    body = Net::HTTP.get(address, {"Cookie" => "fenbo=#{cookie}"})
    PDF::Reader.new(StringIO.new(body)).pages.map(&:text).join("\n")
  end
end
