# frozen_string_literal: true

require "pdf-reader"
require_relative "app_spec_helper"

# What usually comes with a cause: on Decide, at Prove, on the report.
RSpec.describe Shared::Company, :rolled_back do
  let(:job) { create(:job, unit: create(:unit, fans: 2)) }
  let(:technician) { create(:user) }

  before do
    sign_in technician
    get "/jobs/#{job.number}/measure"
    see({"noise" => "grinding", "spin_by_hand" => "gritty", "shaft_play" => "rocks", "blade_state" => "sound"})
  end

  def see(looks, seconds: 0)
    looks.each do |test, outcome|
      Finding.create!(client_id: SecureRandom.uuid, job: Job.find(job.id), user: technician, test:, outcome:,
        fan_position: job.unit.position("evaporator-1"), taken_at: Time.now + seconds)
    end
  end

  def decide
    send_form "/jobs/#{job.number}/decide", fan: "evaporator-1", cause: "bearing_worn", action: "replace",
      client_id: SecureRandom.uuid
  end

  def company
    described_class.new(file(job), file(job).fault_at("evaporator-1"))
  end

  it "shows what comes along, with the look that tells" do
    get "/jobs/#{job.number}/decide?fan=evaporator-1"
    expect(page).to include "What comes along", "Its shaking shakes the mount loose", "Not looked at"
    expect(last_response.body).to include "test=mount_check"
  end

  it "asks at Prove for what nobody looked at, and makes what it finds another fault" do
    decide
    get "/jobs/#{job.number}/prove?fan=evaporator-1"
    expect(page).to include "What often comes with it", "Mount loose"
    see({"mount_check" => "perished_or_loose"}, seconds: 60)
    get "/jobs/#{job.number}/prove?fan=evaporator-1"
    expect(page).to include "Mount: perished or loose.", "Decide about it as another fault"
    expect(company.unseen.map(&:cause)).not_to include "mount_loose"
  end

  it "asks for nothing that the work itself saw to" do
    decide
    expect(company.unseen.map(&:cause)).to include "blade_fouled", "mount_loose"
    ticked = ->(**more) {
      WorkStep.find_or_initialize_by(job: Job.find(job.id), fan_position: job.unit.position("evaporator-1"),
        fault: "evaporator-1.1", task: "evaporator_fan_motor", step: "blade_checked").update!(user: technician, **more)
    }
    ticked[done_at: Time.now + 60, skipped: true, note: "No time"]
    expect(company.unseen.map(&:cause)).to include "blade_fouled"
    ticked[done_at: Time.now + 60, skipped: false]
    expect(company.unseen.map(&:cause)).to include("mount_loose").and(satisfy { |list| !list.include?("blade_fouled") })
    expect(company.words).not_to include "blade caked"
  end

  it "tells the customer what was looked for and what was not, on page and paper" do
    decide
    said = company.words
    expect(said).to match(/not found: .*blade rubbing.*Not looked at: mount loose, there in about \d+ of 100/)
    see({"mount_check" => "good"}, seconds: 60)
    expect(company.words).to match(/not found: mount loose/)
    get "/jobs/#{job.number}/report"
    expect(page).to include "Looked for beside it and not found"
    get "/jobs/#{job.number}/report.pdf"
    expect(PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join(" ").squeeze(" "))
      .to include "Looked for beside it"
  end

  describe "the quick looks before leaving" do
    before { see({"amps" => "over"}) }

    def looks = last_response.body.scan(/name="seen\[(\w+)\]"/).flatten.uniq

    it "asks them together once the first fault is sure, and takes what was seen in one press" do
      get "/jobs/#{job.number}/measure?fan=evaporator-1"
      asked = looks
      expect(page).to include "Bearing worn is all but certain", "Before you leave"
      expect(asked.size).to be > 1
      form = {:fan => "evaporator-1", :client_id => SecureRandom.uuid,
              "seen[#{asked.first}]" => Fenbo::Diagnosis::Test[asked.first].outcomes.first}
      2.times { send_form "/jobs/#{job.number}/findings/round", **form }
      expect(Finding.where(job:, test: asked.first).count).to eq 1
      expect(Finding.where(job:, test: asked.drop(1)).count).to eq 0
      get "/jobs/#{job.number}/measure?fan=evaporator-1"
      expect(looks).not_to include asked.first
    end

    it "takes none of them where one cannot be" do
      before = Finding.count
      send_form "/jobs/#{job.number}/findings/round", :fan => "evaporator-1", "seen[mount_check]" => "good",
        "seen[noise]" => "yodels"
      expect(last_response.status).to eq 422
      expect(Finding.count).to eq before
      send_form "/jobs/#{job.number}/findings/round", fan: "evaporator-1", seen: "mount_check"
      expect(page).to include "Nothing was chosen"
    end
  end

  it "reads a decision of before there were companions, and of another release" do
    decide
    fault = file(job).fault_at("evaporator-1")
    kept = ->(standing) {
      decision = fault.decision.class.new(**fault.decision.to_h, standing:)
      described_class.new(file(job), fault.class.new(**fault.to_h, decision:))
    }
    expect(kept[{"verdict" => "bearing_worn"}].words).to be_nil
    expect(kept[{"companions" => [{"cause" => "gremlin", "standing" => "not_looked"}]}].rows).to eq []
  end
end
