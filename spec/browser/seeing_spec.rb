# frozen_string_literal: true

require_relative "browser_helper"

# A part tapped on the cutaway, frost painted, a sound taken: on a display case and on a
# walk-in.
RSpec.describe "showing it instead of describing it" do
  def open_job(unit, complaint)
    visit "/jobs/new"
    select unit, from: "Unit"
    fill_in "What the customer says", with: complaint
    click_button "Open the job"
    told "opened"
    Job.order(:number).last
  end

  before { sign_in_as "jorun" }

  it "finds the iced drain of a walk-in by painting the lowest rows" do
    job = open_job("Milk room 1, Alp Hintertal", "Ice under the coil.")
    visit "/jobs/#{job.number}/look"
    page.execute_script(
      "document.querySelector('.hit-part[data-href*=\"part=drain\"]').dispatchEvent(new MouseEvent('click', " \
        "{bubbles: true}))"
    )
    expect(page).to have_css "#tests h2", text: "Drain"
    visit "/jobs/#{job.number}/frost"
    # As a quick thumb does, that is told of at its ends alone.
    stroke([4, 5], [0, 7])
    expect(page).to have_css "#frost-reading h2", text: "Bottom"
    # Once round by keyboard: one cell up, painted, taken back.
    find(".surface").send_keys(:down, "2", "u")
    click_button "Keep the map"
    told "Frost map kept: bottom"
    visit "/jobs/#{job.number}/look?test=drain_check"
    within(".ask") { click_button "Blocked" }
    told "Drain"
    expect(page).to have_css ".belief", text: "Drain blocked"
    expect(
      JobSource.numbered(job.number).then { |file| Shared::Standing.new(file, file.unit.fans.first) }.verdict
    ).to eq "drain_blocked"
  end

  it "hears the bearing of a display case, lays the recording over another and sends it to the verdict" do
    # The same recording every time: one in fifty is hard to hear right.
    allow(FenboSimulation::Microphone).to receive(:new).and_wrap_original { |make, **more|
      make.call(**more, random: Random.new(2))
    }
    job = open_job("Tincture case, Market square", "It roars.")
    visit "/jobs/#{job.number}/look?part=motor"
    within("#tests") { expect(page).to have_link "Sound recording" }
    %w[Healthy Bearing].each do |kind|
      visit "/jobs/#{job.number}/sounds?fan=evaporator-1"
      find("summary", text: "Simulated microphone").click
      select kind.downcase, from: "It hears"
      click_button "Take it"
      told "Recording kept: #{kind.downcase}"
    end
    find("#beside option:nth-child(2)").select_option
    click_button "Compare"
    expect(page).to have_css ".curve-beside", visible: :all
    expect(page).to have_css "audio[src$='.wav']", visible: :all
    visit "/jobs/#{job.number}/frost"
    click_button "Fill all"
    expect(page).to have_css "#frost-reading h2", text: "Solid all over"
    visit "/jobs/#{job.number}/look"
    expect(page).to have_content "Sound recording bearing"
  end
end
