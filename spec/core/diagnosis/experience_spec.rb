# frozen_string_literal: true

RSpec.describe Fenbo::Diagnosis::Experience do
  def diagnose(experience = nil, findings: [%w[fan_motion stopped]])
    Fenbo.call(
      "diagnose",
      {
        "unit" => {
          "family" => "walk_in_cooler",
          "fans" => [{"position" => "evaporator-1", "motor" => {"family" => "shaded_pole"}}]
        },
        "position" => "evaporator-1",
        "findings" => findings.map { |test, outcome| {"test" => test, "outcome" => outcome} },
        "experience" => experience
      }
    )
  end

  def chance(result, id)
    result[:causes].find { |one| one[:id] == id }&.probability || 0
  end

  let(:place) { "walk_in_cooler evaporator" }

  it "moves a base rate towards the shop's own jobs, more with more of them" do
    own = ->(count) { {"jobs" => {place => {"winding_open" => count}}} }
    chances = [nil, own[3], own[10], own[60]].map { |experience| chance(diagnose(experience), "winding_open") }
    expect(chances).to eq chances.sort
    expect(chances.first).to be < chances.last
    expect(diagnose(own[3])[:experience]["winding_open"]).to have_attributes(jobs: 3, of_cause: 3)
    expect(diagnose[:experience]).to be_nil
  end

  it "lets ten odd jobs move a rate, but not overturn the trade" do
    odd = {"jobs" => {place => {"motor_wrong" => 10}}}
    expect(chance(diagnose(odd), "motor_wrong")).to be < chance(diagnose(odd), "winding_open")
    # Never by more than the bound, however many.
    equipment = Fenbo::Diagnosis::Equipment.new(family: "walk_in_cooler", side: "evaporator", motor: "shaded_pole")
    swamped =
      described_class.new(
        jobs: {
          place => {
            "motor_wrong" => 5000
          }
        },
        findings: {},
        prior_jobs: 60,
        prior_findings: 30,
        most_factor: 4
      )
    factors =
      Fenbo::Diagnosis::Cause
        .all
        .values_at("motor_wrong", "bearing_worn")
        .map { |cause| swamped.rate_factor(equipment, cause) }
    expect(factors).to eq [4, 0.25]
  end

  it "lays the shop's own answers over a picture, as counts over the default" do
    test = Fenbo::Diagnosis::Test["spin_by_hand"]
    own =
      described_class.new(
        jobs: {},
        findings: {
          "bearing_worn spin_by_hand turning" => {
            "free" => 30
          }
        },
        prior_jobs: 60,
        prior_findings: 30,
        most_factor: 4
      )
    blended = own.blend(Fenbo::Diagnosis::Cause["bearing_worn"], test, "turning", [0.2, 0.4, 0.3, 0.1])
    expect(blended).to eq [0.6, 0.2, 0.15, 0.05]
    expect(own.blend(Fenbo::Diagnosis::Cause["bearing_worn"], test, "dead", [0.2, 0.4, 0.3, 0.1])).to eq [
      0.2,
      0.4,
      0.3,
      0.1
    ]
  end

  it "names every wrong field" do
    refusal = diagnose({"jobs" => {place => {"winding_open" => -1}}, "findings" => 7})
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "experience.jobs.#{place}.winding_open",
      "experience.findings"
    )
  end
end
