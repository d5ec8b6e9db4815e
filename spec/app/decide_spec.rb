# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# Deciding about all that Fenbo names together: what is done along with the first cause, what a
# part is bought for, and what is left.
RSpec.describe Stations::Decide::Route, :rolled_back do
  let(:technician) { create(:user) }
  let(:job) { create(:job, unit: create(:unit, fans: 2), complaint_kinds: %w[ice too_warm]) }
  let(:iced) { {cause: "blade_iced", action: "repair"} }

  before do
    {"noise" => "ticking", "blade_state" => "iced", "frost_pattern" => "even_blocked", "door_seal" => "good",
     "drain_check" => "flows", "forced_defrost" => "no_heat"}.each do |test, outcome|
      Logbook.new(Job.find(job.id), technician)
        .take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test:, outcome:))
    end
    sign_in technician
    get "/jobs/#{job.number}/decide?fan=evaporator-1"
  end

  def decide(id: SecureRandom.uuid, **fields)
    send_form "/jobs/#{job.number}/decide", fan: "evaporator-1", set: "blade_iced,defrost_failed", client_id: id,
**fields
  end

  def faults
    file(job).faults.map { |one| [one.key, one.decision.causes, one.decision.action] }
  end

  it "proposes what the ice comes of, not the ice, and has nothing to ask of who takes it" do
    expect(page).to include "<h2>Defrost failed</h2>", "Blade held by ice comes of it", "Blade held by ice, too"
    expect(Nokogiri::HTML(page).at("option[selected]")["value"]).to eq "defrost_failed"
    decide(cause: "defrost_failed", action: "replace")
    get "/jobs/#{job.number}/match?fan=evaporator-1&kind=defrost_heater"
    expect(page).to include "<h1>Defrost heater for #{job.unit.name}</h1>"
    get "/jobs/#{job.number}/match?fan=evaporator-1&kind=connector"
    expect(page).to include "<h1>Connector, both halves for #{job.unit.name}</h1>"
  end

  it "asks what becomes of each cause beside the first" do
    decide(also: {"defrost_failed" => "left"}, **iced)
    get "/jobs/#{job.number}/decide?fan=evaporator-1"
    expect(page).to include "Defrost failed, too", "Done along with it", "A part is bought for it"
    decide(**iced)
    expect(faults).to eq [["evaporator-1.1", %w[blade_iced defrost_failed], "repair"]]
    follow_redirect!
    expect(page).to include "Decided: blade held by ice with defrost failed", "To Work"
  end

  it "makes one that a part is bought for a fault of its own, once however often it is pressed" do
    id = SecureRandom.uuid
    2.times { decide(id:, also: {"defrost_failed" => "own"}, **iced) }
    expect(faults).to eq [
      ["evaporator-1.1", %w[blade_iced], "repair"], ["unit.1", %w[defrost_failed], "replace"]
    ]
    expect(last_response["location"]).to end_with "/jobs/#{job.number}/match?fan=unit.1"
    get "/jobs/#{job.number}/decide?fan=evaporator-1"
    expect(page).not_to include "Defrost failed, too"
    decide(**iced)
    expect(faults.map { |_, causes| causes }).to eq [%w[blade_iced], %w[defrost_failed]]
  end

  it "leaves out what is left" do
    decide(also: {"defrost_failed" => "left"}, **iced)
    expect(faults).to eq [["evaporator-1.1", %w[blade_iced], "repair"]]
  end

  it "asks for a reason only where none of those named together is decided" do
    decide(cause: "defrost_failed", action: "replace")
    expect(faults.map { |_, causes| causes }).to eq [%w[defrost_failed blade_iced]]
    expect(Decision.where(job:).sole).not_to be_overridden
    decide(cause: "bearing_worn", action: "replace")
    expect(page).to include "say why, in a few words"
    decide(cause: "bearing_worn", action: "replace", reason: "It growls.")
    expect(faults.map { |_, causes| causes }).to include %w[bearing_worn]
  end

  it "keeps what was chosen where it is refused" do
    decide(cause: "blade_iced", also: {"defrost_failed" => "own"})
    expect(last_response.status).to eq 422
    chosen = Nokogiri.HTML(last_response.body).css("[name='also[defrost_failed]'][checked]").map { |one| one["value"] }
    expect(chosen).to eq ["own"]
  end

  it "stands nonsense beside it" do
    decide(also: "own", **iced)
    decide(also: {"defrost_failed" => ["own"], "nonsense" => "own"}, set: "nonsense,blade_iced,defrost_failed", **iced)
    expect(faults).to eq [["evaporator-1.1", %w[blade_iced defrost_failed], "repair"]]
  end
end
