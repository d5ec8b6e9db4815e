# frozen_string_literal: true

require_relative "without_signal"

# A day in the cold room: taken along, worked on without signal, brought back.
RSpec.describe "without signal" do
  include_context "without signal"

  # What two records of the same work share: all but what each side names by itself.
  def work(told)
    plain = JSON.parse(JSON.generate(told))
    visits = plain["visits"].each_with_index.to_h { |visit, index| [visit["uid"], index] }
    times = ->(row) { row.except("taken_at", "voided_at", "done_at") }
    {
      "findings" => plain["findings"].map { |one|
        times[one].merge("visit" => visits[one["visit"]])
      },
      "readings" => plain["readings"].map { |one| times[one].merge("visit" => visits[one["visit"]]) },
      "decisions" => plain["decisions"].map { |one| times[one].merge("visit" => visits[one["visit"]]) },
      "stations" => plain["stations"].map(&times).sort_by { |one| one["station"] },
      "steps" => plain["steps"].map(&times).sort_by { |one| one["step"] },
      "proof_checks" => plain["proof_checks"].map(&times).sort_by { |one| one["check"] },
      "choices" => plain["part_choices"].map { |one|
        one.except("uid", "chosen_at", "superseded_at").merge("wanted" => !one["superseded_at"])
      },
      "handover" => plain["handover"]&.slice("summary", "signed_name", "signature", "signed_digest"),
      "left" => plain["visits"].map { |one| one["leaving_c"] },
      "stands" => plain.slice("state", "station", "status", "box_c")
    }
  end

  # The tray and the gate as the pages bring them, to the last step.
  def work_to_the_end
    while page.has_css?(".stepkeys .btn-main", wait: 3)
      step = find("[id^=step-]", match: :first)[:id]
      all(".proofpoint input", wait: 0).each(&:check)
      4.times { click_button "+ 1" } if page.has_button?("+ 1", wait: 0)
      fill_in "measured", with: "17" if page.has_field?("measured", wait: 0)
      find(".stepkeys .btn-main").click
      expect(page).to have_no_css "##{step}"
    end
  end

  it "works a whole job: measured with three turns, made safe, taken apart and back, proved, signed and closed",
    slow: true do
    sign_in_as("ilka")
    job = new_job("Cheese cellar 2", "Fan one is dead since the morning")
    take_along(job)
    NoSignal.here = true

    visit "/jobs/#{job}/look"
    answer "fan_motion", "Stands still"
    answer "noise", "Silent"
    go "/jobs/#{job}/measure"
    fill_in "Display", with: "0,00"
    fill_in "Turns in the jaw", with: "3"
    fill_in "Voltage", with: "231"
    choose "Stands still"
    click_button "Keep reading"
    told "Clamp kept: no current"
    go "/jobs/#{job}/measure?tool=windings"
    # Nobody keeps it there, and nothing is asked of anybody.
    page.execute_script("document.querySelector('[data-looks=dark]').click()")
    expect(page).to have_css "html[data-appearance=dark] #clamp-title"
    read_open_winding
    expect(page).to have_css ".fault", text: "Prove it dead first"
    expect(page).to have_field "A–B", with: "open"
    click_button "Proved dead", match: :first
    told "Proved dead"
    go "/jobs/#{job}/measure?tool=windings"
    read_open_winding
    told "Windings kept: a winding is open"
    go "/jobs/#{job}/decide"
    choose "Replace"
    click_button "Decide"
    told "Decided: winding open"

    go "/jobs/#{job}/fit"
    choose "set screw"
    choose "ring"
    click_button "Show this unit's plan"
    told "Kept with the unit."
    work_to_the_end
    expect(page).to have_content "Everything is done: prove it."
    go "/jobs/#{job}/prove"
    fill_in "Display", with: "1,2"
    fill_in "Turns", with: "3"
    fill_in "Voltage", with: "230"
    click_button "Keep the after-reading"
    told "Clamp kept"
    fill_in "Box on leaving", with: "4,4"
    click_button "Keep temperatures"
    told "Temperatures kept"
    Fenbo::Proof::Checklist.new(JobSource.numbered(job)).checks.each_value do |text|
      find("li.step", text:).find("button.tick").click
      expect(page).to have_css "li.step.done", text:
    end
    go "/jobs/#{job}/hand_over"
    fill_in "What was done", with: "New fan motor on fan 1."
    sign
    fill_in "Signed by", with: "Berit Aldenrath"
    click_button "Keep the handover"
    told "Kept."
    click_button "Close the job"
    expect(page).to have_content "Closed by Ilka Torvend"

    here = work(on_the_phone(job))
    NoSignal.here = false
    all_sent
    expect(page).to have_css "#pocket-answers", visible: :hidden
    expect(work(JobSource.numbered(job).as_json)).to eq here
    expect(Job.find_by!(number: job)).to have_attributes(status: "closed")
    expect(here["steps"].size).to be > 10
    visit "/pocket"
    within("[data-job='#{job}']", text: "Not in your list any more") { click_button "Let go" }
    expect(page).to have_css "#pocket-told", text: "Job #{job} is not on this phone any more."
    expect(page).to have_no_css "[data-job='#{job}']"
  end

  it "diagnoses to a verdict, paints frost, reads amps, decides; reloads in the middle; and the server has it all" do
    job = taken_along
    NoSignal.here = true

    visit "/jobs/#{job}/look"
    expect(page).to have_css ".ask"
    answer "fan_motion", "Stands still"
    expect(page).to have_css "#pocket-band", text: "1 kept on this phone"
    answer "noise", "Hums"
    verdict = find("#page").text[/.*\b\d+%/]
    visit "/jobs/#{job}/look"
    expect(page).to have_text "after 2 findings"
    expect(find("#page").text[/.*\b\d+%/]).to eq verdict

    go "/jobs/#{job}/frost?fan=evaporator-1"
    scroll_to find("[data-cell='5-0']"), align: :center
    stroke([4, 5], (0..7).to_a)
    expect(page).to have_css "#frost-reading h2", text: "Bottom"
    click_button "Keep the map"
    told "Frost map kept: bottom"
    go "/jobs/#{job}/measure"
    fill_in "amps", with: "0,66"
    find("[name=amps]").ancestor("form").find("button.btn-main").click
    told "Clamp kept"
    decide(job, "bearing_seized", "Replace", fan: "evaporator-1")
    visit "/jobs/#{job}/source"
    expect(page).to have_text "This needs the signal"
    click_link "Back to job #{job}"
    expect(page).to have_css "h1", text: "Cheese cellar 2"
    go "/bench/capacitor"
    fill_in "rated", with: "5"
    fill_in "measured", with: "3,1"
    click_button "Judge it"
    expect(page).to have_text Fenbo.call(:capacitor, {"rated_uf" => 5, "measured_uf" => 3.1}).reasons.first.text
    best = on_the_phone(job, "best")
    go "/jobs/#{job}/match"
    fits = Fenbo.call(:match, best["question"]).candidates.first
    expect(page).to have_css "details[open] summary", text: fits.part_no
    within("details[open]") { click_button "Take this one" }
    told "#{fits.part_no} chosen"
    # It does not prove: back to Decide, with what was read as evidence.
    go "/jobs/#{job}/prove?fan=evaporator-1"
    fill_in "amps", with: "0,71"
    click_button "Keep the after-reading"
    told "Clamp kept"
    click_button "Decide anew with this"
    told "Not proved"
    expect(Job.find_by!(number: job).findings.count).to eq 0

    here = work(on_the_phone(job))
    NoSignal.here = false
    all_sent
    expect(work(JobSource.numbered(job).as_json)).to eq here
    expect(here["findings"].size).to be >= 4
    expect(here["decisions"].map { |one| one["void_reason"] }).to eq ["not proved"]
    visit "/jobs/#{job}/look"
    expect(page).to have_no_css "#pocket-band"
  end

  it "takes several looks on one form, and decides about two causes in one press, what is mended first" do
    phone
    sign_in_as("ilka")
    job = new_job("Cheese cellar 2", "Ice on the first fan, it ticks")
    {"noise" => "ticking", "frost_pattern" => "even_blocked", "forced_defrost" => "no_heat", "blade_state" => "iced"}
      .each do |test, outcome|
      Logbook.new(Job.find_by!(number: job), User.find_by!(login: "ilka"))
        .take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test:, outcome:))
    end
    take_along(job)
    NoSignal.here = true

    visit "/jobs/#{job}/look?fan=evaporator-1"
    within(".ask") do
      choose "Holds"
      choose "Runs off"
      click_button "Keep what I saw"
    end
    told "Door seal: holds; Drain: runs off."
    visit "/jobs/#{job}/decide?fan=evaporator-1"
    expect(page).to have_text "Blade held by ice comes of it."
    choose "Replace"
    click_button "Decide"
    expect(page).to have_no_button "Decide"
    visit "/jobs/#{job}/decide?fan=evaporator-1"
    expect(page).to have_text "Defrost failed with blade held by ice, replace"

    here = work(on_the_phone(job))
    NoSignal.here = false
    all_sent
    expect(work(JobSource.numbered(job).as_json)).to eq here
    expect(here["decisions"].map { |one| one.values_at("fault", "causes", "action") }).to eq [
      ["evaporator-1.1", %w[defrost_failed blade_iced], "replace"]
    ]
  end
end
