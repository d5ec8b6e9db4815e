# frozen_string_literal: true

require_relative "browser_helper"

# What a page takes from a device by itself: a meter that sends, a microphone.
RSpec.describe "readings that come by themselves" do
  before { sign_in_as "jorun" }

  let(:job) { Job.open.joins(:unit).find_by!(units: {name: "Milk room 1"}) }

  it "shows the simulated clamp live, holds it in the form, and goes silent with it" do
    visit "/jobs/#{job.number}/measure?tool=amps"
    within ".livemeter" do
      expect(page).to have_button("Hold", disabled: true)
      find("summary").click
      select Shared::Words::MOTORS.fetch("psc"), from: "Motor"
      fill_in "Its plate", with: "0.80"
      click_button "Start it"
      expect(page).to have_content(/\d\.\d+ A/)
      click_button "Stop it"
      click_button "Hold"
    end
    held = find_field("Display").value
    expect(Float(held)).to be_within(0.4).of(0.8)
    MeterLine.delete_all
    within(".livemeter") { expect(page).to have_content "no meter is sending" }
  end

  it "records from the microphone, reads it and keeps it with its fan" do
    visit "/jobs/#{job.number}/sounds?fan=evaporator-2"
    expect(page).to have_button "Record", disabled: false
    # Stopped as soon as it can be, however slow the machine.
    page.execute_script(<<~JS)
      const named = (words) => [...document.querySelectorAll("button")].find((one) => one.textContent.trim() === words);
      named("Record").click();
      const timer = setInterval(() => { if (named("Stop")) { clearInterval(timer); named("Stop").click(); } }, 20);
    JS
    expect(page).to have_content "Too short"
    click_button "Record"
    expect(page).to have_content(/[1-6] s to go/)
    click_button "Stop"
    told "Recording kept"
    kept = Reading.where(kind: "sound", job:).order(:id).last
    expect(kept.fan_position.key).to eq "evaporator-2"
    wav = Fenbo::Sound::Wav.parse(SoundUploader.uploaded_file(kept.question["file"]).read)
    expect(wav.seconds).to be_between(2, 10)
  end

  it "says what to do where there is no microphone" do
    visit "/jobs/#{job.number}/sounds?fan=evaporator-1"
    refusal = "() => Promise.reject(new DOMException('', 'NotAllowedError'))"
    page.execute_script("navigator.mediaDevices.getUserMedia = #{refusal}")
    click_button "Record"
    expect(page).to have_content "The microphone was refused"
    page.execute_script("Object.defineProperty(navigator, 'mediaDevices', {value: undefined})")
    click_button "Record"
    expect(page).to have_content "choose the WAV file below"
  end
end
