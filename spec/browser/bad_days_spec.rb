# frozen_string_literal: true

require "vips"
require_relative "without_signal"

# What can go wrong with a phone that took a job along.
RSpec.describe "a bad day without signal" do
  include_context "without signal"

  let(:picture) { File.join(Dir.tmpdir, "fenbo-spec-#{SecureRandom.hex(4)}.png") }
  let(:wav) { File.join(Dir.tmpdir, "fenbo-spec-#{SecureRandom.hex(4)}.wav") }

  after { FileUtils.rm_f([picture, wav]) }

  it "keeps a photo and a recording, shows and reads them, and brings them back byte for byte" do
    Vips::Image.gaussnoise(900, 700, mean: 128, sigma: 50).cast("uchar").pngsave(picture)
    File.binwrite(wav,
      FenboSimulation::Microphone.new(kind: "bearing", rate: 44_100, seconds: 4, random: Random.new(3)).wav)
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look?fan=evaporator-1"
    attach_file "photo", picture
    fill_in "caption", with: "The blade rubs"
    click_button "Keep photo"
    told "Photo kept."
    expect(page.evaluate_script("document.querySelector('#photos img').naturalWidth")).to eq 480
    attach_file "photo", wav
    click_button "Keep photo"
    expect(page).to have_text "This is no photo."

    visit "/jobs/#{job}/sounds?fan=evaporator-1"
    attach_file "wav", wav
    click_button "Read the file"
    expect(page).to have_css "[data-told]", text: "Recording kept: bearing", wait: 30
    here = on_the_phone(job)
    NoSignal.here = false
    all_sent
    there = JobSource.numbered(job).as_json
    names = %w[kind verdict typed result]
    expect(JSON.parse(JSON.generate(there))["readings"].map { |one| one.slice(*names) })
      .to eq(here["readings"].map { |one| one.slice(*names) })
    expect(JSON.parse(JSON.generate(there))["photos"].map { |one| one.slice("id", "caption", "file") })
      .to eq(here["photos"].map { |one| one.slice("id", "caption", "file") })
    row = Job.find_by!(number: job)
    expect(row.photos.first.file.read).to eq File.binread(picture)
    expect(SoundUploader.uploaded_file(row.readings.first.question["file"]).read).to eq File.binread(wav)
  end

  it "takes a photo along that was sent just when the signal went" do
    Vips::Image.black(300, 200).pngsave(picture)
    job = taken_along
    visit "/jobs/#{job}/look?fan=evaporator-1"
    expect(page).to have_no_css "#pocket-band"
    attach_file "photo", picture
    NoSignal.here = true
    click_button "Keep photo"
    expect(page).to have_css "#pocket-band", text: "1 kept on this phone", wait: 20
    told "Photo kept."
    NoSignal.here = false
    all_sent
    expect(Job.find_by!(number: job).photos.count).to eq 1
  end

  it "keeps a reading that somebody else's page has answered, on a phone that took nothing along" do
    phone
    sign_in_as("ilka")
    job = new_job("Cheese cellar 2", "Too warm, one fan stands")
    visit "/jobs/#{job}/measure?fan=evaporator-1"
    fill_in "amps", with: "0,66"
    NoSignal.here = true
    find("[name=amps]").ancestor("form").find("button.btn-main").click
    expect(page).to have_css "#outbox", text: "1 kept here"
    expect(page).to have_no_text "Welcome to the hotel"
    page.execute_script("window.dispatchEvent(new Event('online'))")
    sleep 1
    expect(page).to have_css "#outbox", text: "1 kept here"
    NoSignal.here = false
    page.execute_script("window.dispatchEvent(new Event('online'))")
    expect(page).to have_css "#outbox", visible: :hidden
    expect(Job.find_by!(number: job).readings.map(&:kind)).to eq ["amps"]
  end

  it "shows nothing of a lost phone without the PIN, waits after wrong ones, and loses nothing by them" do
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "noise", "Hums"
    expect(everything_kept).not_to match(/Cheese cellar|Hintertal|Ilka|hums|too warm/i)

    page.execute_script("sessionStorage.clear()")
    visit "/jobs/#{job}/look"
    expect(page).to have_css "#pocket-pin[open]"
    expect(page).to have_no_text "Cheese cellar"
    5.times do
      open_with "nothing"
      expect(page).to have_css "#pocket-pin", text: "That is not the PIN."
    end
    open_with pin
    expect(page).to have_css "#pocket-pin", text: /Wrong too often: wait \d+ s/

    # Signed in, whoever owns it needs none.
    NoSignal.here = false
    all_sent
    expect(Job.find_by!(number: job).findings.map(&:outcome)).to eq ["hum_not_turning"]
  end

  it "keeps what is unsent over a sign-out, sealed, until the same person signs in", slow: true do
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "noise", "Silent"
    NoSignal.here = false
    # The session ended meanwhile, on another device.
    page.driver.browser.cookies.clear
    page.execute_script("sessionStorage.clear()")
    sign_in_as("jorun")
    visit "/pocket"
    expect(page).to have_text "1 kept here by somebody else"
    expect(Finding.where(job: Job.find_by!(number: job))).to be_empty
    page.driver.browser.cookies.clear
    # Wherever one comes back, it is sent.
    sign_in_as("ilka")
    60.times { Job.find_by!(number: job).findings.any? ? break : sleep(0.1) }
    expect(Job.find_by!(number: job).findings.map { |one| [one.outcome, one.user.login] }).to eq [%w[silent ilka]]
  end

  it "leaves for the office what somebody kept who may not sign in any more", slow: true do
    job = taken_along("pavo")
    pavo = User.find_by!(login: "pavo")
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "noise", "Silent"
    pavo.update!(active: false)
    NoSignal.here = false
    visit "/jobs"
    expect(page).to have_css "h1", text: "Sign in"
    click_link "What this phone keeps"
    expect(page).to have_css "#pocket-band", text: "Sign in to send it.", wait: 20
    click_button "Leave it for the office"
    expect(page).to have_css "#pocket-band", text: "Left for the office"
    expect(LeftPress.waiting.map { |one| [one.user, one.job_number] }).to eq [[pavo, job]]
  ensure
    User.where(login: "pavo").update_all(active: true)
  end

  it "asks where somebody else decided first, and lets either stand" do
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "fan_motion", "Stands still"
    decide(job, "bearing_seized", "Replace", fan: "evaporator-1")
    jorun = User.find_by!(login: "jorun")
    standing = Fenbo::Tools.call("diagnose", Fenbo::Tools.entry("diagnose").example).as_json
    Logbook.new(Job.find_by!(number: job), jorun).take(Entries::Decision.new(id: SecureRandom.uuid,
      fault: "evaporator-1", besides: false, causes: ["winding_open"], proposed: "winding_open", probability: 0.9,
      action_taken: "repair", override_reason: nil, standing:))
    NoSignal.here = false
    visit "/pocket"
    expect(page).to have_css "#pocket-answers", text: "#{jorun.name} decided meanwhile: winding open"
    expect(Job.find_by!(number: job).findings.count).to eq 1
    expect(JobSource.numbered(job).decision("evaporator-1").causes).to eq ["winding_open"]
    click_button "Mine counts, after theirs"
    expect(page).to have_css "#pocket-answers", visible: :hidden
    all_sent
    expect(JobSource.numbered(job).decision("evaporator-1").causes).to eq ["bearing_seized"]
    expect(Job.find_by!(number: job).decisions.count).to eq 2
  end

  it "goes on in a second tab where the first one stopped, after its PIN, and neither forgets the other", slow: true do
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "noise", "Silent"
    second = open_new_window
    within_window(second) do
      visit "/jobs/#{job}/look"
      open_with pin
      expect(page).to have_css "#pocket-band", text: "1 kept"
      answer "fan_motion", "Stands still"
    end
    airflow = Fenbo::Diagnosis::Test["airflow"]
    answer "airflow", airflow.label(airflow.outcomes.first)
    expect(page).to have_css "#pocket-band", text: "3 kept"
    expect(on_the_phone(job)["findings"].map { |one| one["test"] }).to eq %w[noise fan_motion airflow]
    second.close
  end

  it "counts the right time on a phone whose clock is a day off, before and after it is put right", slow: true do
    job = taken_along
    # The clock as pages of this phone see it.
    off = 26 * 3_600_000
    page.driver.browser.page.command("Page.addScriptToEvaluateOnNewDocument",
      source: "if (!sessionStorage.right) { const now = Date.now; Date.now = () => now.call(Date) + #{off}; }")
    visit "/pocket"
    expect(page).to have_no_text("not sent yet")
    sleep 1
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "noise", "Silent"
    pressed = Time.now
    page.execute_script("sessionStorage.right = '1'")
    # Longer than what is forgiven: counted as it came back, it would be wrong.
    sleep 15
    NoSignal.here = false
    all_sent
    expect(Job.find_by!(number: job).findings.map(&:taken_at)).to all(be_within(10).of(pressed))
  end

  it "tells where the phone is full, and keeps the page", slow: true do
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look?test=noise"
    expect(page).to have_css ".ask"
    page.execute_script(<<~JS)
      IDBObjectStore.prototype.add = () => { throw new DOMException("full", "QuotaExceededError"); };
    JS
    find(".ask button.answer", text: "Silent").click
    expect(page).to have_text "The phone is full: nothing more can be kept. Let a job go"
    visit "/jobs/#{job}/look"
    expect(page).to have_css "#pocket-band", text: "No signal."
    expect(page).to have_no_text "1 kept"
  end
end
