# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# A shop that begins with nothing is led to its first job, and no page of it is lost on the way.
RSpec.describe Day::FirstSteps, :rolled_back do
  pages = %w[/ /week /van /parts /parts?kind=blades /suppliers /imports /jobs /jobs/new /units /units/new /customers
    /customers/new /learning /settings /job-files /left]

  before do
    kept = %w[schema_migrations ar_internal_metadata]
    here = ActiveRecord::Base.connection
    here.execute("TRUNCATE #{(here.tables - kept).grep_v(/\Aque_/).join(", ")} CASCADE")
    sign_in create(:user, role: "office")
  end

  def steps = described_class.list.map(&:done)

  it "ticks off what is there, and is gone with the first job" do
    get "/"
    expect(page).to include("Before the first job", "People who go out", "/settings#people")
    expect(steps).to eq [false] * 5
    technician = create(:user)
    unit = create(:unit)
    expect(steps).to eq [true, true, true, false, false]
    sign_in technician
    get "/"
    expect(page).to include("The catalogue is kept by the office", %(href="/jobs/new"))
    expect(page).not_to include %(href="/imports")
    create(:job, unit:).update!(status: "closed")
    get "/"
    expect(page).to include "Nothing is open"
    expect(page).not_to include "Before the first job"
  end

  it "has a page behind every link, and says what is missing" do
    seen = pages.to_h do |path|
      get path
      follow_redirect! while status == 303
      [path, [status, page]]
    end
    expect(seen.reject { |_, (code, _)| code == 200 }.keys).to eq []
    expect(seen["/van"].last).to include "Nobody goes out yet"
    expect(seen["/parts"].last).to include "The catalogue holds none yet"
    expect(Nokogiri.HTML5(seen["/imports"].last).text.squeeze(" \n")).to include "motors.csv, 37 columns",
      "one of shaded_pole, psc, ec", "figures parted by “;”, each from 12 to 690", "from 2 to 40 mm"
  end
end
