# frozen_string_literal: true

require_relative "app_spec_helper"

# A fault whose part is no motor goes the whole way: matched, sourced, fitted, named.
RSpec.describe Spare, :rolled_back do
  let(:job) { create(:job) }
  let(:technician) { create(:user) }

  def contactor(part_no, **more)
    described_class.create!({part_no:, maker: "Veltrin", kind: "contactor", coil_volts: 24, hertz: 50, poles: 3,
                             amps: 25, held: "rail", price_cents: 4200}.merge(more))
  end

  before do
    contactor("VE-T-25")
    contactor("VE-T-9", amps: 9)
    sign_in technician
    get "/jobs/#{job.number}/decide"
    send_form "/jobs/#{job.number}/decide", cause: "contactor_failed", action: "replace", reason: "Seen it arc.",
      fan: "evaporator-1"
  end

  old = {coil_volts: "24 V", hertz: "50", poles: "3", amps: "20", held: "rail"}
  let(:query) { Rack::Utils.build_query(fan: "evaporator-1", kind: "contactor", **old) }

  it "asks for what decides, and says what fits and why the others do not" do
    get "/jobs/#{job.number}/match?fan=evaporator-1"
    expect(page).to include("Contactor for fan 1").and(include("Coil voltage"))
    get "/jobs/#{job.number}/match?#{query}"
    expect(page).to match(/VE-T-25 drops in/)
    expect(page).to match(/full-load amps of the circuit \d+ A for 20 A/i)
    get "/jobs/#{job.number}/match?#{query}&coil_volts=much"
    expect(page).to include(%(value="much"))
  end

  it "is chosen, sourced, worked by its own plan, fitted and reported" do
    get "/jobs/#{job.number}/match?#{query}"
    send_form "/jobs/#{job.number}/match/spare", fan: "evaporator-1", kind: "contactor", part_no: "VE-T-9", **old
    expect(status).to eq 422
    2.times do
      send_form "/jobs/#{job.number}/match/spare", fan: "evaporator-1", kind: "contactor", part_no: "VE-T-25", **old
    end
    expect(job.part_choices.reload.map { |one| [one.spare.part_no, one.superseded_at] }).to eq [["VE-T-25", nil]]
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).to include("VE-T-25, Veltrin")
    fault = file(job).faults.first
    expect([fault.standing, Fenbo::WorkPlan::Task.for_fault(job.unit.family, fault)]).to eq %w[chosen contactor]
    send_form "/jobs/#{job.number}/prove/fitted", fan: "evaporator-1"
    expect(file(job).faults.first.standing).to eq "fitted"
    expect(job.unit.position("evaporator-1").fitted_motors.size).to eq 1
    get "/jobs/#{job.number}/report"
    expect(page).to match(/contactor VE-T-25 fitted/)
  end

  it "asks which part it is before one is bought, and leads with the one that was found" do
    get "/jobs/#{job.number}/decide"
    send_form "/jobs/#{job.number}/decide", cause: "defrost_failed", action: "replace", reason: "Stays cold.",
      fan: "evaporator-1", besides: "1"
    head = -> { page[%r{<h1>(.*?)</h1>}m, 1][/\A[\w ]+? for/] }
    get "/jobs/#{job.number}/match?fan=unit.1"
    expect([head.call, page]).to match ["Defrost heater for",
      match(/Defrost failed: which part.*test=defrost_heater_ohms.*Defrost heater, 6 min/m)]
    get "/jobs/#{job.number}/look?fan=unit.1&test=defrost_heater_ohms"
    expect(page).to include "Measure the defrost heater."
    Finding.create!(client_id: SecureRandom.uuid, job:, user: technician, test: "defrost_heater_ohms", outcome: "good",
      taken_at: Time.now)
    get "/jobs/#{job.number}/match?fan=unit.1"
    expect([head.call, page]).to match ["Defrost sensor for",
      match(/Defrost heater: good\..*It may be the\s+defrost sensor, the defrost control or timer,/m)]
    get "/jobs/#{job.number}/match?fan=evaporator-1"
    expect(page).not_to include "which part"
    job.update!(status: "closed", closed_at: Time.now)
    get "/jobs/#{job.number}/match?fan=unit.1"
    expect(page).not_to include "It may be the"
  end

  it "goes out and in with the job file" do
    get "/jobs/#{job.number}/match?#{query}"
    send_form "/jobs/#{job.number}/match/spare", fan: "evaporator-1", kind: "contactor", part_no: "VE-T-25", **old
    value = file(job)
    expect(Fenbo::JobFile::Job.from_json(JSON.parse(JSON.generate(value.as_json)))).to eq value
    expect(value.part_choice("evaporator-1").spare.columns).to include("amps" => 25.0, "held" => "rail")
  end

  # What Match says to buy besides is priced, and its work is in the plan.
  it "prices what is bought besides a motor and reckons its extra work" do
    beside = {"extra_work" => [{"id" => "bushing", "minutes" => 5}], "transfers" => ["slinger"],
              "parts" => ["bushing BR-X-476-635", "2 spacers", "run capacitor 5 µF, new", "plate of gold"]}
    PartChoice.create!(job:, motor: Motor.first, user: technician, fan_position: job.unit.position("evaporator-1"),
      beside:)
    now = file(job)
    besides = Stations::Source::Besides.new(now.part_choice("evaporator-1"))
    known = [Accessory.find_by!(part_no: "BR-X-476-635").price_cents,
      Accessory.where(kind: "spacer").minimum(:price_cents) * 2,
      Spare.where(kind: "run_capacitor", uf: 5).minimum(:price_cents)]
    expect(known).to all be_positive
    expect([besides.lines.map(&:cents), besides.unpriced]).to eq [[*known, nil], ["plate of gold"]]
    plan = Fenbo::WorkPlan::Progress.of(now)
    expect([plan.minutes, plan.step("extra_bushing").minutes, plan.transfers]).to eq [50, 5, ["slinger"]]
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).to include("price not listed").and(include("50 min, 5 of them extra work"))
  end
end
