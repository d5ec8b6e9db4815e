# frozen_string_literal: true

require_relative "browser_helper"

# Whole jobs with the hands, on a phone, one gloved thumb: each family's own order, to the last
# screw, and who goes on another day.
RSpec.describe "work on a phone" do
  before { phone }

  def asked(job, fan, **answers)
    visit "/jobs/#{job}/fit?fan=#{fan}"
    return unless page.has_button?("Show this unit's plan", wait: 1)
    answers.each { |name, value| (value == true) ? check(name.to_s) : choose(name.to_s, option: value) }
    click_button "Show this unit's plan"
  end

  # As if the unit had never been asked how it is.
  def unknown(unit, **features)
    Unit.find_by!(name: unit).update!(features:)
  end

  def steps(job) = JobSource.numbered(job).steps.map(&:step)

  def finished
    expect(page).to have_content "Everything is done: prove it."
    expect_no_overflow
  end

  it "takes the ice maker of a top freezer out first and puts it back last" do
    sign_in_as "ilka"
    unknown "Flat 4 top freezer"
    job = new_job("Flat 4 top freezer", "The freezer is warm, the fan rattles.")
    decide job, "bearing_worn", "Replace", fan: "evaporator-1"
    asked job, "evaporator-1", ice_maker: true, tower: "rings"
    work_through job
    finished
    done = steps(job)
    expect(done.index("ice_maker_off")).to be < done.index("cover_off")
    expect(done.index("ice_maker_off_back")).to be > done.index("cover_off_back")
    expect(done).not_to include("tower_clips")
  end

  it "splices a machine bay's motor in, sealed, with its water shut and on again", slow: true do
    sign_in_as "ilka"
    unknown "Flat 2 machine bay"
    job = new_job("Flat 2 machine bay", "Hot at the back, no air.")
    decide job, "winding_open", "Replace", fan: "condenser-1"
    asked job, "condenser-1", joined: "splice", water: true, held_by: "tilting_bracket", access: "rear_panel"
    plan(job).steps.each { |step| expect(step.text).not_to match(/unplugged from its connector/i) }
    work_through job
    finished
    texts = plan(job).steps.map(&:text).join(" ")
    expect(texts).to match(/seal/i).and match(/water/i)
  end

  it "goes on the next day with a roof motor on its spacers, by somebody else", slow: true do
    sign_in_as "pavo"
    job = new_job("Seed vault roof", "One fan on the roof grinds.")
    decide job, "bearing_worn", "Replace", fan: "condenser-1"
    chosen = Entries::Part.new(fault: "condenser-1", part_no: Motor.find_by!(part_no: "VE-P125-BB").part_no,
      grade: "fits_with_work", checks: [], beside: {"extra_work" => [{"id" => "spacers", "minutes" => 5}]},
      seat_mm: 40.0, spacers: 2)
    Logbook.new(Job.find_by!(number: job), User.find_by!(login: "pavo")).take(chosen)
    asked job, "condenser-1", mount: "belly_band"
    work_through job, stop: "blade_depth"
    expect(page).to have_content "blade"
    Job.find_by!(number: job).work_steps.update_all("done_at = done_at - interval '20 hours'")
    Capybara.reset_sessions!
    sign_in_as "jorun"
    visit "/jobs/#{job}/fit?fan=condenser-1"
    expect(page).to have_content "too long ago"
    expect_no_overflow
    work_through job, now: Time.now
    finished
    told = JobSource.numbered(job)
    expect(told.steps.map { |one| one.by.name }.uniq.size).to eq 2
    expect([told.fault_at("condenser-1").standing, steps(job).grep(/spacers/).any?]).to eq ["fitted", true]
  end

  it "pumps a rack down before its fan comes out, and restores it after", slow: true do
    sign_in_as "jorun"
    unknown "Station rack"
    job = new_job("Station rack", "Head pressure, third fan dead.")
    decide job, "ec_module_failed", "Replace", fan: "condenser-3"
    asked job, "condenser-3", pumped_down: true
    work_through job, stop: "pump_down", fault: "condenser-3"
    expect(page).to have_content "Opening the circuit is for licensed people"
    work_through job, fault: "condenser-3"
    finished
    done = steps(job)
    expect(done.index("pump_down")).to be < done.index("proved_dead")
    expect(plan(job, fault: "condenser-3").steps.last(6).map(&:text).join(" ")).to match(/0, 5 and 10 V|restored/)
    visit "/jobs/#{job}/prove?fan=condenser-3"
    expect(page).to have_content "Before and after"
    expect_no_overflow
  end
end
