# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "care for what is typed, and for who reads it" do
  def job(unit) = Job.open.joins(:unit).where(units: {name: unit}).last

  it "keeps a half-typed form through a reload, and drops it once it is sent" do
    sign_in_as "jorun"
    visit "/jobs/#{job("Cut-flower room").number}/call"
    fill_in "Access for this job", with: "Ring the bell at the packing door"
    page.refresh
    expect(page).to have_field "Access for this job", with: "Ring the bell at the packing door"
    expect(page).to have_content "What you had typed here is back."
    click_button "Keep", exact: true
    told "Call kept"
    expect(job("Cut-flower room").access_notes).to eq "Ring the bell at the packing door"
    expect(page).to have_no_content "is back"
    expect(page.evaluate_script("Object.keys(localStorage).filter((name) => name.startsWith('draft:')).length")).to eq 0
  end

  it "brings a draft back to its own unit only, and drops it when asked" do
    sign_in_as "jorun"
    mine, other = Unit.order(:id).limit(2).pluck(:id)
    visit "/jobs/new?unit=#{mine}"
    fill_in "What the customer says", with: "It rattles"
    visit "/jobs/new?unit=#{other}"
    expect(page).to have_field "What the customer says", with: ""
    visit "/jobs/new?unit=#{mine}"
    expect(page).to have_field "What the customer says", with: "It rattles"
    click_button "Drop it"
    expect(page).to have_field "What the customer says", with: ""
    expect(page).to have_no_content "is back"
  end

  it "shows a refused form with its first wrong field in sight, and again after a reload" do
    sign_in_as "mette"
    visit "/units/new"
    fill_in "Name", with: "Herb store"
    fill_in "Setpoint", with: "mild"
    click_button "Keep"
    expect(page).to have_css "[data-summary]", text: /Not taken yet, \d fields/
    focused = page.evaluate_script("document.activeElement.closest('.field, fieldset').textContent")
    expect(focused).to include "Choose a site."
    expect(page.current_path).to start_with "/refused/"
    page.refresh
    expect(page).to have_field "Name", with: "Herb store"
    expect(page).to have_field "Setpoint", with: "mild"
    expect(page).to have_css "[data-summary]"
    visit "/units"
    expect(page).to have_no_content "Herb store"
  end

  it "shows what a press changed, wherever the page was scrolled to" do
    sign_in_as "pavo"
    page.current_window.resize_to(500, 700)
    visit "/jobs/#{job("Sample store B").number}/look?test=airflow"
    page.execute_script("window.scrollTo(0, document.body.scrollHeight)")
    find(".ask button.answer", text: "Weak").click
    told "Air"
    expect(page.evaluate_script("window.scrollY")).to eq 0
    page.current_window.resize_to(1280, 800)
  end

  it "keeps every press made without signal, each with its own time" do
    sign_in_as "pavo"
    number = job("Sample store B").number
    visit "/jobs/#{number}/measure?tool=amps"
    page.driver.browser.network.emulate_network_conditions(offline: true)
    %w[0.11 0.22].each_with_index do |amps, index|
      fill_in "Display", with: amps
      click_button "Keep reading"
      expect(page).to have_css "#outbox", text: "#{index + 1} kept here"
    end
    page.driver.browser.network.emulate_network_conditions(
      offline: false, latency: 0, download_throughput: -1, upload_throughput: -1
    )
    page.execute_script("window.dispatchEvent(new Event('online'))")
    expect(page).to have_no_css "#outbox", text: "kept here"
    kept = Reading.where(job: job("Sample store B"), kind: "amps").order(:taken_at).last(2)
    expect(kept.map { |one| one.typed["amps"] }).to eq %w[0.11 0.22]
    expect(kept.map(&:client_id).uniq.size).to eq 2
  end

  it "takes a double click once and lets two tabs add to the same job" do
    sign_in_as "ilka"
    path = "/jobs/#{job("Sample store B").number}/look"
    visit "#{path}?test=water_present"
    button = find(".ask button.answer", text: "Stands")
    page.execute_script("arguments[0].click(); arguments[0].click()", button)
    told "Water"
    expect(job("Sample store B").findings.live.where(test: "water_present").count).to eq 1
    other = open_new_window
    within_window(other) do
      visit "#{path}?test=door_seal"
      find(".ask button.answer", text: "Holds").click
      told "Door seal"
    end
    visit "#{path}?test=setting"
    find(".ask button.answer", text: "Right").click
    told "Setting"
    expect(job("Sample store B").findings.live.pluck(:test)).to include("water_present", "door_seal", "setting")
  end

  it "keeps what is sent without signal and sends it when the signal is back" do
    sign_in_as "ilka"
    visit "/jobs/#{job("Sample store B").number}/look?test=box_temperature"
    page.driver.browser.network.emulate_network_conditions(offline: true)
    find(".ask button.answer", text: "Very warm").click
    expect(page).to have_css "#outbox", text: "1 kept here"
    page.driver.browser.network.emulate_network_conditions(
      offline: false,
      latency: 0,
      download_throughput: -1,
      upload_throughput: -1
    )
    page.execute_script("window.dispatchEvent(new Event('online'))")
    expect(page).to have_no_css "#outbox", text: "kept here"
    expect(job("Sample store B").findings.live.where(test: "box_temperature", outcome: "very_warm").count).to eq 1
  end

  it "brings the question of a chosen test into sight, on a phone" do
    phone
    sign_in_as "pavo"
    visit "/jobs/#{job("Dairy roof").number}/measure"
    find("#tests summary").click
    find("#tests a[href*='test=mount_check']").click
    expect(page).to have_css "#ask", text: "Is its mount firm?", count: 1
    expect(page.evaluate_script("document.getElementById('ask').getBoundingClientRect().top")).to be_between(-1, 700)
  end

  it "answers the question by number key and walks the stations by arrow" do
    sign_in_as "pavo"
    visit "/jobs/#{job("Dairy roof").number}/measure?test=motor_heat"
    find("body").send_keys("3")
    told "Motor heat: very hot"
    find("body").send_keys(:right)
    expect(page).to have_current_path(%r{/decide})
  end

  pages = {
    "sign-in" => "/sign-in",
    "day" => "/",
    "jobs" => "/jobs",
    "new job" => "/jobs/new",
    "units" => "/units",
    "unit" => "/units/2",
    "unit change" => "/units/2/edit",
    "plate" => "/units/2/fans/evaporator-1",
    "customers" => "/customers",
    "parts" => "/parts",
    "settings" => "/settings",
    "style" => "/style",
    "lost" => "/nowhere",
    "learning" => "/learning",
    "week" => "/week",
    "suppliers" => "/suppliers",
    "take along" => "/pocket",
    "left" => "/left",
    "van" => "/van",
    "bench" => "/bench",
    "bench legs" =>
      "/bench/phases?volts_ab=462&volts_bc=458&volts_ca=440&amps_a=4.1&amps_b=4&amps_c=4.9" \
      "&rolled_a=4.9&rolled_b=4.1&rolled_c=4",
    "bench windings" => "/bench/windings?kind=psc&cr=10&cs=open&rs=open&ground=0.4",
    "bench capacitor" => "/bench/capacitor?rated=25&measured=22.8",
    "bench clock" => "/bench/product?now=4&limit=8&end=24",
    "bench pull-down" => "/bench/pulldown?setpoint=2&readings=0+12%0A10+9.7%0A20+8%0A35+6",
    "bench ledger" => "/bench/refrigerant?full=40&on_1=2031-02-01&kind_1=added&before_1=30&after_1=22",
    "bench refused" => "/bench/amps?amps=lots"
  }

  it "has no serious fault for assistive technology and nothing too wide, by day, in glare and in the dark",
    slow: true do
    visit "/sign-in"
    expect(axe_faults).to eq []
    sign_in_as "mette"
    expect(pages.merge(job_pages).flat_map { |name, path| faults_at(name, path) }).to eq []
  end

  def job_pages
    at = ->(unit, rest) { "/jobs/#{job(unit).number}/#{rest}" }
    Job::STATIONS.to_h { |station| [station, at["Milk room 1", station]] }.merge(
      "open question" => at["Tulip hall", "look"],
      "frost" => at["Sample store B", "frost"],
      "sound" => at["Tulip hall", "sounds"],
      "heard" => "/jobs/#{Reading.where(kind: "sound").last.job.number}/sounds",
      "fit to come" => at["Seed vault", "fit"],
      "part" => at["Hut kitchen", "look?part=coil"],
      "report" => at["Milk room 1", "report"],
      "ways" => at["Seed vault", "source"],
      "clock" => at["Cheese cellar 2", "clock"],
      "quote" => at["Seed vault", "quote"],
      "fits" => at["Seed vault", "fitting?part=BR-S12-230-L"],
      "does not fit" => at["Seed vault", "fitting?part=BR-U12-230"],
      "not measured" => at["Tulip hall", "fitting?part=BR-U12-230"],
      "kit" => at["Hut kitchen", "match"],
      "beside" => at["Seed vault", "beside?parts[]=BR-S12-230-L&parts[]=BR-U12-230&parts[]=KA-F16-230"],
      "part page" => "/parts/motors/KA-K4-I",
      "blades" => "/parts?kind=blades",
      "imports" => "/imports"
    )
  end

  # By day the colours alone; whatever else may be wrong is read beside them where glare or the dark is tried.
  def faults_at(name, path)
    desk
    visit path
    by_day = axe_faults(only: %w[color-contrast link-in-text-block]).map { |fault| "by day: #{fault}" }
    found = [*by_day, *faults_in("glare"), *too_wide]
    phone
    [*found, *faults_in("dark"), *too_wide].map { |fault| "#{name} #{fault}" }
  end

  def faults_in(appearance)
    page.execute_script("document.documentElement.dataset.appearance = arguments[0]", appearance)
    axe_faults.map { |fault| "in #{appearance}: #{fault}" }
  end

  def too_wide
    width, of = page.evaluate_script("[document.documentElement.scrollWidth, window.innerWidth]")
    (width > of + 1) ? ["is #{width} wide on #{of}"] : []
  end
end
