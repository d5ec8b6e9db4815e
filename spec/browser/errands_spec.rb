# frozen_string_literal: true

require_relative "browser_helper"

# Eleven errands as somebody new walks them, each on a phone on site and at a desk.
RSpec.describe "an errand" do
  def unit(name) = Unit.find_by!(name:)

  # A second one of the same make beside the first.
  def twin_of(name, called)
    Unit.find_by(name: called) || unit(name).dup.tap do |twin|
      twin.update!(name: called, uid: SecureRandom.uuid, serial: "#{called.hash.abs % 1000}-2")
      unit(name).fan_positions.each do |fan|
        copy = fan.dup.tap { |one| one.update!(unit: twin) }
        fan.fitted_motors.each { |motor| motor.dup.update!(fan_position: copy, uid: SecureRandom.uuid) }
      end
    end
  end

  it "looks otherwise on the spot, in glare or a dark box, and keeps what was typed" do
    phone
    sign_in_as "pavo"
    job = new_job("Hut larder", "It howls at night.")
    visit "/jobs/#{job}/measure"
    fill_in "Display", with: "0.4"
    looks = ->(words, id) {
      find(".jobband summary").click
      click_button words
      expect(page).to have_css "html[data-appearance=#{id}]"
      expect(page).to have_css ".jobband details:not([open])"
    }
    looks["Dark box", "dark"]
    expect(page).to have_field "Display", with: "0.4"
    expect(page).to have_current_path "/jobs/#{job}/measure"
    visit "/"
    expect(page).to have_css "html[data-appearance=dark]"
    visit "/jobs/#{job}/measure"
    looks["Day", "day"]
  end

  %i[phone desk].each do |width|
    context "on a #{width}" do
      before { public_send(width) }

      it "takes a loud bottom freezer apart without tearing its coil", slow: width == :desk do
        sign_in_as "pavo"
        job = new_job("Hut larder", "It howls at night.")
        visit "/jobs/#{job}/look"
        answer "fan_motion", "Runs"
        answer "noise", "Squeal"
        decide job, "bearing_worn", "Replace", fan: "evaporator-1"
        visit "/jobs/#{job}/fit"
        work_through job
        expect(page).to have_content "Everything is done: prove it."
        expect_no_overflow
        done = JobSource.numbered(job).steps.map(&:step)
        expect(done.index("side_covers_off")).to be < done.index("cover_off")
        expect(done.index("cover_off_back")).to be < done.index("side_covers_off_back")
      end

      it "keeps a worn motor and an open contactor of one roof bank apart to the report" do
        sign_in_as "jorun"
        job = new_job("Tulip hall roof", "Pressure too high, one fan rough, one still.")
        decide job, "bearing_worn", "Replace", fan: "condenser-3"
        decide job, "contactor_failed", "Replace", fan: "condenser-5"
        visit "/jobs/#{job}/match?fan=condenser-5"
        expect(page).to have_css "h1", text: "Contactor for fan 5"
        fill_in "Coil voltage", with: "24"
        fill_in "Poles", with: "3"
        fill_in "Full-load amps", with: "20"
        choose "rail"
        click_button "Look what fits"
        expect(page).to have_content "drops in"
        click_button "Take this one", match: :first
        told "chosen"
        find("button", text: "Take", match: :first).click
        told "it is."
        visit "/jobs/#{job}/fit?fan=condenser-5"
        expect(page).to have_css "[aria-current]", text: "Contactor"
        visit "/jobs/#{job}/report"
        expect(page).to have_content "Condenser fan 3"
        expect(page).to have_content "Condenser fan 5"
        faults = JobSource.numbered(job).faults
        expect(faults.map { |one| [one.fan.key, one.decision.causes.first, one.standing] }).to eq [
          %w[condenser-3 bearing_worn decided], %w[condenser-5 contactor_failed ordered]
        ]
      end

      it "ends a motor with its blade in one piece in a kit whose work is in the plan" do
        sign_in_as "ilka"
        job = new_job("Hut kitchen", "It scrapes and smells.")
        decide job, "bearing_worn", "Replace", fan: "evaporator-1"
        visit "/jobs/#{job}/match?fan=evaporator-1&part=KA-K4-I"
        find("button", text: /Take/, match: :first).click
        told "chosen"
        visit "/jobs/#{job}/fit?fan=evaporator-1"
        click_button "Show this unit's plan" if page.has_button?("Show this unit's plan", wait: 1)
        find("summary", text: "Exchanged").click
        expect(page).to have_content "Drill two holes of 4 mm."
        expect(page).to have_content "the old blade"
        expect(page).to have_no_content "Moves to the new part: blade"
        expect_no_overflow
      end

      it "finds two causes behind one complaint in two reach-ins of one visit", slow: true do
        second = twin_of("Hut kitchen", "Hut kitchen two")
        sign_in_as "jorun"
        first = new_job("Hut kitchen", "Both are warm.")
        decide first, "winding_open", "Replace", fan: "evaporator-1"
        visit "/jobs/new?unit=#{second.id}&beside=#{first}"
        fill_in "What the customer says", with: "Both are warm."
        click_button "Open the job"
        told "opened"
        job = number
        expect(page).to have_content "Same visit"
        decide job, "evaporator_dirty", "Clean", fan: "evaporator-1"
        visit "/jobs/#{job}/fit?fan=evaporator-1"
        click_button "Show this unit's plan" if page.has_button?("Show this unit's plan", wait: 1)
        expect(page).to have_css "h1", text: "Cleaning"
        work_through job
        within("#cleaning + *, section[aria-labelledby=cleaning]", match: :first) do
          within("fieldset", text: "Before") { choose "thick" }
          within("fieldset", text: "After") { choose "clean" }
          click_button "Keep the cleaning"
        end
        told "Cleaning kept: clean now"
        expect(JobSource.numbered(first).decision.causes).to eq %w[winding_open]
      end

      it "says with how many turns a reading would count" do
        sign_in_as "ilka"
        job = new_job("Cheese cellar 1", "Fan one sounds tired.")
        edge = JobSource.numbered(job).fan_in_hand.motor.amps_at(230) * 0.8
        visit "/jobs/#{job}/measure?tool=amps"
        fill_in "Display", with: edge.round(2).to_s
        fill_in "Voltage", with: "230"
        choose "Turns"
        click_button "Keep reading"
        told "cannot tell"
        turns = page.text[/(\d+) turns/, 1].to_i
        expect(turns).to be > 1
        fill_in "Display", with: (edge * turns).round(2).to_s
        fill_in "Turns in the jaw", with: turns.to_s
        click_button "Keep reading"
        expect(page).to have_css("[data-told]", text: "within")
      end

      it "sends a part that nobody has today on a second trip, into the calendar" do
        sign_in_as "ilka"
        job = new_job("Milk room 1", "Fan two is dead again.")
        decide job, "winding_open", "Replace", fan: "evaporator-2"
        visit "/jobs/#{job}/match?fan=evaporator-2"
        find("button", text: /Take/, match: :first).click
        told "chosen"
        within("li", text: "Passhouse orders", match: :first) { find("button", text: "Take").click }
        told "Passhouse orders it is."
        expect(page).to have_link "the visit for your calendar"
        expect(JobSource.numbered(job).part_choice.offer["second_trip"]).to be true
      end

      it "moves a job from the wrong unit to the right one, with its call" do
        sign_in_as "mette"
        job = new_job("Tulip hall", "Something is warm at the far end.")
        visit "/jobs/#{job}/arrange"
        select "Cut-flower room, Auction halls", from: "It is really about"
        click_button "Move it"
        expect(page).to have_content "Cut-flower room"
        expect(JobSource.numbered(job).unit.name).to eq "Cut-flower room"
      end

      it "brings the last visit's decision to a return visit" do
        sign_in_as "jorun"
        job = new_job("Tincture case", "Warm again, as last week.")
        visit "/jobs/#{job}/call"
        closed = Job.where(status: "closed").joins(:unit).where(units: {name: "Tincture case"})
        earlier = closed.order(:opened_at).last.number
        find("option", text: "job #{earlier},", visible: :all).select_option
        click_button "Keep and look"
        told "Call kept"
        expect(JobSource.numbered(job).return_of).to eq Job.find_by!(number: earlier).uid
        expect_no_overflow
      end

      it "keeps a refused reading through a reload" do
        sign_in_as "pavo"
        job = new_job("Cheese cellar 2", "It hums.")
        visit "/jobs/#{job}/measure?tool=amps"
        fill_in "Display", with: "a lot"
        click_button "Keep reading"
        expect(page).to have_css ".fault", text: "not understood"
        page.refresh
        expect(page).to have_field "Display", with: "a lot"
        fill_in "Display", with: "0,41"
        click_button "Keep reading"
        told "Clamp kept"
        expect(JobSource.numbered(job).readings_of("amps").size).to eq 1
      end

      it "takes what two tabs answer at once, each once" do
        sign_in_as "ilka"
        job = new_job("Sample store A", "Drips.")
        visit "/jobs/#{job}/look?test=water_present"
        second = open_new_window
        within_window(second) { visit "/jobs/#{job}/look?test=door_seal" }
        within(".ask") { find("button.answer", match: :first).double_click }
        told "Water"
        within_window(second) { within(".ask") { find("button.answer", match: :first).click } }
        within_window(second) { told "Door seal" }
        expect(JobSource.numbered(job).live_findings.map(&:test)).to match_array %w[water_present door_seal]
      end

      it "lets a technician make a customer, a site and a unit on the spot" do
        sign_in_as "pavo"
        visit "/customers/new"
        fill_in "Name", with: "Mill bakery #{width}"
        fill_in "Site", with: "Mill lane #{width}"
        click_button "Keep the customer"
        expect(page).to have_content "Mill bakery #{width} kept. Now the unit."
        fill_in "Name", with: "Dough store #{width}"
        select "Mill bakery #{width}: Mill lane #{width}", from: "Site"
        select "Reach-in", from: "Kind"
        fill_in "Setpoint", with: "4"
        fill_in "Evaporator fans", with: "1"
        find("main form button.btn-main").click
        expect(page).to have_css "h1", text: "Dough store #{width}"
        new_job("Dough store #{width}", "Too warm since noon.")
        expect(page).to have_content "Dough store #{width}"
        expect_no_overflow
      end
    end
  end
end
