# frozen_string_literal: true

require_relative "app_spec_helper"

# The other motors of a bank, ranked, with what waiting for each costs.
RSpec.describe Stations::Source::Neighbours, :rolled_back do
  let(:unit) { create(:unit, fans: 3) }
  let(:job) { create(:job, unit:, product_value_cents: 100_000) }

  before do
    sign_in create(:user)
    motor = Motor.where.not(price_cents: nil).first
    PartChoice.create!(job:, motor:, user: create(:user), fan_position: unit.position("evaporator-1"))
    get "/jobs/#{job.number}/look"
    {"evaporator-2" => "grinding", "evaporator-3" => "quiet_normal"}.each do |fan, outcome|
      send_form "/jobs/#{job.number}/findings", test: "noise", outcome:, fan:, client_id: SecureRandom.uuid
    end
  end

  it "ranks those that were listened to, and leaves out the fan in hand" do
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    rows = described_class.new(file(job), Fenbo::WorkPlan::Progress.of(file(job))).rows
    expect(rows.map { |row| [row.fan.key, row.answer.fail_chance, row.answer.verdict] }).to eq [
      ["evaporator-2", 0.45, "now"], ["evaporator-3", 0.04, "later"]
    ]
    expect(page).to match(/while\s+you\s+are\s+here/).and(include("when it fails"))
  end

  it "says nothing of a fan with a fault of its own, or where no motor is chosen" do
    send_form "/jobs/#{job.number}/decide", fan: "evaporator-2", cause: "bearing_worn", action: "replace",
      reason: "heard", client_id: SecureRandom.uuid
    rows = -> { described_class.new(file(job), Fenbo::WorkPlan::Progress.of(file(job))).rows }
    expect(rows.call.map { |row| row.fan.key }).to eq %w[evaporator-3]
    PartChoice.where(job:).update_all(superseded_at: Time.now)
    expect(rows.call).to eq []
  end
end
