# frozen_string_literal: true

require_relative "browser_helper"

# A hotel between the phone and Fenbo: it answers everything with a page of its own, as long as
# it stands there.
class NoSignal
  class << self
    attr_accessor :here
  end

  def initialize(app)
    @app = app
  end

  def call(env)
    return @app.call(env) unless self.class.here
    [200, {"content-type" => "text/html"}, ["<h1>Welcome to the hotel</h1>"]]
  end
end

# A day in the cold room: taken along, worked on without signal, brought back.
RSpec.describe "without signal" do
  around do |example|
    Capybara.app, app = NoSignal.new(Capybara.app), Capybara.app
    example.run
  ensure
    NoSignal.here = false
    Capybara.app = app
  end

  def take_along(job)
    visit "/pocket"
    within("[data-job='#{job}']") { click_button "Take along" }
    expect(page).to have_css "#pocket-told", text: "Job #{job} is on this phone."
  end

  # What the phone holds of a job.
  def on_the_phone(job)
    page.evaluate_async_script(<<~JS, job)
      const done = arguments[1];
      indexedDB.open("fenbo-pocket").onsuccess = ({ target }) => {
        target.result.transaction("packs").objectStore("packs").get(arguments[0]).onsuccess = (got) => {
          target.result.close();
          done(JSON.stringify(got.target.result.pack.job));
        };
      };
    JS
      .then { |text| JSON.parse(text) }
  end

  # What two records of the same work share: all but what each side names by itself.
  def work(told)
    plain = JSON.parse(JSON.generate(told))
    visits = plain["visits"].each_with_index.to_h { |visit, index| [visit["uid"], index] }
    readings = plain["readings"].map { |one| one["id"] }
    times = ->(row) { row.except("taken_at", "voided_at", "done_at") }
    {
      "findings" => plain["findings"].map { |one|
        times[one].except(*("id" if one["reading"])).merge("visit" => visits[one["visit"]],
          "reading" => readings.index(one["reading"]))
      },
      "readings" => plain["readings"].map { |one| times[one].merge("visit" => visits[one["visit"]]) },
      "decisions" => plain["decisions"].map { |one| times[one].merge("visit" => visits[one["visit"]]) },
      "stations" => plain["stations"].map(&times), "state" => plain["state"], "station" => plain["station"]
    }
  end

  it "diagnoses to a verdict, reads amps, decides; reloads in the middle; and the server has it all" do
    phone
    sign_in_as("ilka")
    job = new_job("Cheese cellar 2", "Too warm, one fan stands")
    take_along(job)
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

    visit "/jobs/#{job}/measure"
    fill_in "amps", with: "0,66"
    find("[name=amps]").ancestor("form").find("button.btn-main").click
    told "Clamp kept"
    decide(job, "bearing_seized", "Replace", fan: "evaporator-1")
    visit "/jobs/#{job}/source"
    expect(page).to have_text "This needs the signal"
    expect(Job.find_by!(number: job).findings.count).to eq 0

    here = work(on_the_phone(job))
    NoSignal.here = false
    visit "/pocket"
    expect(page).to have_no_text("not sent yet")
    expect(work(JobSource.numbered(job).as_json)).to eq here
    expect(here["findings"].size).to be >= 3
    visit "/jobs/#{job}/look"
    expect(page).to have_no_css "#pocket-band"
  end
end
