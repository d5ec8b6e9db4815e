# frozen_string_literal: true

RSpec.describe FenboSimulation do
  motor = ->(family, blade: 0.92, friction: 0.04, **state) do
    FenboSimulation::Motor.new(family, **state).run(blade:, friction:)
  end

  it "turns a healthy motor at its rated speed and current, near enough" do
    %w[shaded_pole psc split_phase three_phase ec].each do |family|
      running = motor[family]
      expect(running.speed).to be_within(0.06).of(1), family
      expect(running.amps).to be_between(0.75, 1.1), family
    end
  end

  it "lets friction slow it, draw more, and at last stall it" do
    runs = [0.04, 0.2, 0.5, 5].map { |friction| motor["psc", friction:] }
    expect(runs.map(&:speed).each_cons(2)).to all(satisfy { |before, after| after < before })
    expect(runs.last.speed).to eq 0
    expect(runs[2].amps).to be > runs[0].amps
    expect(runs.last.amps).to be > 2
  end

  it "does what each part does to a motor" do
    expect(motor["psc", capacitor: 0.0].speed).to eq 0
    expect(motor["three_phase", single_phased: true].speed).to eq 0
    expect(motor["psc", blade: 0.05].amps).to be < 0.75
    expect(motor["shaded_pole", volts: 0.0].amps).to eq 0
    expect(motor["psc", shorted: 0.15].amps).to be > 1.1
  end

  it "draws the same job from the same seed, and somebody always has a reason to call" do
    draw = -> { FenboSimulation::CaseMaker.new(Random.new(8)).draw }
    one, other = draw.call, draw.call
    expect([one.rig.family, one.rig.faults, one.rig.figures]).to eq [
      other.rig.family,
      other.rig.faults,
      other.rig.figures
    ]
    jobs = Array.new(60) { |seed| FenboSimulation::CaseMaker.new(Random.new(seed)).draw }
    expect(jobs.reject { |job| job.rig.faults.empty? }.map(&:symptoms)).to all(be_any)
    expect(jobs.count { |job| job.rig.faults.size == 2 }).to be_between(3, 18)
  end

  it "answers every test with one of its outcomes, whatever the fault" do
    random = Random.new(2)
    Fenbo::Diagnosis::Cause.all.each_key do |fault|
      rig =
        FenboSimulation::Rig.new(
          family: "walk_in_cooler",
          side: "evaporator",
          motor: "psc",
          faults: [fault],
          age: 6,
          neighbours: 2,
          spread: random
        )
      observer = FenboSimulation::Observer.new(rig, random)
      Fenbo::Diagnosis::Test.all.each_value do |test|
        expect(test.outcomes).to include(observer.see(test.id)), "#{fault} #{test.id}"
      end
    end
  end

  it "errs in its share of answers and no more" do
    rig =
      FenboSimulation::Rig.new(
        family: "walk_in_cooler",
        side: "evaporator",
        motor: "psc",
        faults: ["blade_loose"],
        age: 6,
        neighbours: 0,
        spread: Random.new(1)
      )
    observer = FenboSimulation::Observer.new(rig, Random.new(1))
    expect(Array.new(1000) { observer.see("hub_grip") }.count("tight")).to be_between(30, 75)
  end
end
