# frozen_string_literal: true

require_relative "app_spec_helper"

# What is typed into an instrument becomes one question to the core, its faults stand at the
# fields they are about, and its answer becomes findings.
RSpec.describe Shared::Instrument, :made_jobs, :rolled_back do
  let(:meter) { {"name" => "Small jaw", "percent" => 2.0, "counts" => 3, "resolution" => 0.01} }
  let(:user) { build(:user, meter:) }

  # @return [Shared::Instrument] asked
  def asked(tool, typed = nil, job: nil, fan: nil, phase: "before", **more)
    typed = (typed || more).transform_keys(&:to_s)
    Shared::Instrument.of(tool, typed, user:, job:, fan: job && (fan || job.unit.fans.first), phase:).tap(&:ask)
  end

  def with_motor(**changes)
    made_job(unit: made_unit(fans: [made_fan("evaporator-1").with(motors: [made_motor(**changes)]), "evaporator-2"]))
  end

  def faults(...) = asked(...).faults

  # @return [Array<String>] the instruments for a fan; of no motor, where none is known
  def tools(supply: 1, **motor)
    motors = motor.any? ? [made_motor(**motor)] : []
    described_class.for_fan(made_fan("evaporator-1").with(motors:), made_unit(supply_phases: supply))
  end

  it "is for what a fan's motor is, or for all it may be where nobody knows" do
    expect(tools(family: "shaded_pole")).to eq %w[amps windings]
    expect(tools(family: "psc")).to eq %w[amps windings capacitor]
    expect(tools(family: "three_phase", phases: 3)).to eq %w[amps phases windings]
    expect([tools(family: "ec"), tools(family: "ec", phases: 3)]).to eq [%w[amps], %w[amps phases]]
    expect([tools, tools(supply: 3)]).to eq [%w[amps windings capacitor], %w[amps phases windings capacitor]]
  end

  describe Shared::Instruments::Amps do
    let(:job) { made_job }

    it "says what to do where no plate is noted" do
      bare = made_job(unit: made_unit(fans: [made_fan("evaporator-1").with(motors: [])]))
      expect(faults("amps", {amps: "0.4"}, job: bare)).to match("plate" => /Note what can be read, or a twin/)
    end

    it "asks for the plate where no fan gives it, and for what its motor alone has" do
      names = ->(typed, **more) { Shared::Instrument.of("amps", typed, user:, **more).fields.map(&:name) }
      expect(names.call({})).to eq %w[family plate_amps plate_volts amps turns volts turning]
      expect(names.call({"family" => "ec"})).to include "plate_watts", "watts"
      expect(names.call({"family" => "three_phase"})).to include "service_factor", "amps_b", "amps_c"
      expect(names.call({}, job:, fan: job.unit.fans.first)).to eq %w[amps turns volts turning]
    end

    it "judges an EC motor by its watts, a three-phase motor by its legs and service factor" do
      ec = asked("amps", family: "ec", plate_amps: "0.17", plate_volts: "230", plate_watts: "22.9", amps: "0.2",
        watts: "22", turning: "yes")
      expect([ec.result.verdict, ec.result.watts]).to eq ["within", 22]
      three = asked("amps", family: "three_phase", plate_amps: "2", plate_volts: "400", service_factor: "1.15",
        amps: "1.9", amps_b: "1.95", amps_c: "2,0", turning: "yes")
      expect(three.result.legs.map(&:amps)).to eq [1.9, 1.95, 2.0]
      expect(three.findings["amps"]).to eq "within"
    end

    it "puts every fault at its field, all at once" do
      told = faults("amps", family: "psc", plate_amps: "many", plate_volts: "230", amps: "", turns: "0.5",
        volts: "lots")
      expect(told.keys).to match_array %w[plate_amps amps turns volts]
      expect(faults("amps", {amps: "0.4", turns: "99"}, job:)).to match("turns" => /1 to 20/)
      expect(faults("amps", amps: "0.4", family: "psc", plate_amps: "1.2", plate_volts: "230", turns: "",
        turning: "yes")).to eq({})
    end

    it "asks of a display a hundred times the plate whether it is in milliamps, and believes a unit" do
      told = {"410" => true, "410 mA" => false, "0.41" => false, "410 A" => false}
      expect(told.keys.to_h { |amps|
        [amps, faults("amps", {amps:}, job:)["amps"].to_s.include?("milliamps")]
      }).to eq told
    end

    it "says at the plate what stands there wrong" do
      bare = with_motor(amps: [], volts: [])
      expect(faults("amps", {amps: "0.4"}, job: bare).keys).to eq %w[plate]
    end

    it "finds what the reading amounts to, with the voltage at the motor and its neighbours" do
      told = asked("amps", {amps: "0.9", volts: "150", turning: "yes"}, job:)
      expect(told.findings).to include "voltage_at_motor" => "low"
      dead = asked("amps", {amps: "0", turns: "3", volts: "231", turning: "no"}, job:)
      expect(dead.findings).to eq "amps" => "none", "voltage_at_motor" => "in_range"
      unsure = [{}, {volts: "231"}].map { |more| asked("amps", {amps: "0.5", turning: "yes", **more}, job:) }
      expect(unsure.map { |one| one.result.verdict }.uniq).to eq ["cannot_tell"]
      expect(unsure.map(&:findings)).to eq [{}, {"voltage_at_motor" => "in_range"}]
    end

    it "takes from the job whether it was seen to turn, and how its neighbours read" do
      seen = ->(outcome) { made_job(findings: [found("fan_motion", outcome)]) }
      turning = ->(job) { described_class.new({}, user:, job:, fan: job.unit.fans.first).value("turning") }
      outcomes = Fenbo::Diagnosis::Test["fan_motion"].outcomes
      expect(outcomes.to_h { |one| [one, turning.call(seen[one])] }).to include "slow" => "yes", "stopped" => "no"
      expect(turning.call(made_job)).to be_nil
      beside = job.with(readings: [asked_reading("evaporator-2", 0.43)])
      entry = asked("amps", {amps: "0.2", turning: "yes"}, job: beside).entry(id: "1", phase: "before")
      expect(entry.findings).to include "amps" => "under", "amps_beside_neighbours" => anything
    end

    def asked_reading(fan, amps)
      instrument = asked("amps", {amps: amps.to_s, turning: "yes"}, job:, fan: job.unit.fan(fan))
      read("amps", instrument.result.verdict, fan:, question: instrument.asked,
        result: Fenbo::Json.plain(instrument.result.as_json))
    end

    it "shows its arithmetic: turns, the meter's error, the share of the plate" do
      told = asked("amps", {amps: "1.2", turns: "3", turning: "yes"}, job:)
      expect(told.working.map(&:last)).to eq ["1.2 ÷ 3 = 0.4 A", "2.0 % × 0.4 + 3 × 0.01 ÷ 3 = ±0.018 A",
        "0.4 ÷ 0.43 = 0.93"]
      expect(told.kept_typed).to eq "amps" => "1.2", "turns" => "3", "turning" => "yes"
    end

    it "judges after the work by the motor that was chosen" do
      waits = job.with(part_choices: [chosen(motor: made_part("BR-S16-230-L", amps: [0.9]))])
      told = %w[before after].map { |phase|
        asked("amps", {amps: "0.9", turning: "yes"}, job: waits, phase:).result.verdict
      }
      expect(told).to eq %w[over within]
    end
  end

  describe Shared::Instruments::Phases do
    let(:volts) { {volts_ab: "400", volts_bc: "401", volts_ca: "399"} }
    let(:amps) { {amps_a: "2", amps_b: "2.02", amps_c: "1.98"} }
    let(:job) { with_motor(family: "three_phase", phases: 3, volts: [400.0], amps: [2.1]) }

    it "wants all three legs or none of a kind" do
      expect(faults("phases", {volts_ab: "400", volts_ca: "399"})).to eq "volts_bc" => "All three legs, please."
      expect(faults("phases", {**volts, amps_a: "x"}).keys).to match_array %w[amps_a amps_b amps_c]
      expect(faults("phases", volts)).to eq({})
    end

    it "finds balance, load and what is missing" do
      expect(asked("phases", {**volts, **amps},
        job:).findings).to eq "voltage_balance" => "balanced", "amps" => "within"
      expect(asked("phases", {**volts, volts_bc: "360"}, job:).findings).to eq "voltage_balance" => "unbalanced"
      expect(asked("phases", {**volts, **amps, amps_b: "0"},
        job:).findings).to include "voltage_balance" => "phase_missing"
      none = volts.transform_values { "0" }
      expect(asked("phases", none, job:).findings).to eq "voltage_at_motor" => "absent"
      expect(asked("phases", amps, job:).findings).to eq "amps" => "within"
      expect(asked("phases", {plate_amps: "2.1", service_factor: "1.15", **amps}).findings).to eq({})
    end

    it "works the unbalance out of what was typed" do
      told = asked("phases", {**volts, volts_bc: "410", **amps}, job:).working
      expect(told.map(&:first)).to eq ["volts: unbalance = 100 × largest deviation ÷ mean",
        "amps: unbalance = 100 × largest deviation ÷ mean"]
      expect(told.first.last).to eq "100 × 7 ÷ 403 = 1.74 %"
    end
  end

  describe Shared::Instruments::Windings do
    it "asks for the pairs of the motor in hand" do
      pairs = ->(family) { asked("windings", {}, job: with_motor(family:)).pairs }
      expect(%w[three_phase psc shaded_pole].to_h { |one| [one, pairs[one].size] })
        .to eq "three_phase" => 3, "psc" => 3, "shaded_pole" => 1
    end

    it "asks which motor it is where no plate is noted, and judges it as that one" do
      bare = ->(**unit) { made_job(unit: made_unit(fans: [made_fan("evaporator-1").with(motors: [])], **unit)) }
      expect([asked("windings", {}, job: bare.call).kind, asked("windings", {}, job: bare.call(supply_phases: 3)).kind])
        .to eq %w[shaded_pole three_phase]
      told = asked("windings", {kind: "psc", cr: "12", cs: "18", rs: "30"}, job: bare.call)
      expect([told.kinds.keys, told.result.verdict, told.findings]).to eq [%w[three_phase psc shaded_pole], "sound",
        {"winding_ohms" => "normal"}]
      expect(asked("windings", {}, job: with_motor(family: "psc")).kinds).to eq({})
    end

    it "takes every way of writing that there is no path" do
      open = %w[open OL o.l. inf ∞ ---].map { |ohms|
        asked("windings", {kind: "three_phase", ab: ohms, bc: "5", ca: "5"})
      }
      expect(open.map { |one| one.findings["winding_ohms"] }.uniq).to eq ["open"]
      expect(faults("windings", kind: "three_phase", ab: "a path", bc: "5", ca: "5").keys).to eq %w[ab]
    end

    it "tells the winding from its way to ground" do
      sound = {kind: "three_phase", ab: "5", bc: "5.02", ca: "5.01"}
      rows = {
        {ground: "0"} => {"winding_ohms" => "normal", "insulation" => "fail"},
        {ground: "900 MΩ"} => {"winding_ohms" => "normal", "insulation" => "good"},
        {ground: "0", ca: "5.6"} => {"winding_ohms" => "unbalanced", "insulation" => "fail"}
      }
      expect(rows.keys.to_h { |typed| [typed, asked("windings", {**sound, **typed}).findings] }).to eq rows
    end

    it "brings ohms to 20 °C where the winding's warmth is known" do
      told = asked("windings", kind: "psc", rs: "30", cr: "12", cs: "18", celsius: "35 °C").working
      expect(told.map(&:first)).to include(/R20 = R ÷/, /difference = 100/)
      expect(asked("windings", kind: "three_phase", ab: "OL", bc: "OL", ca: "OL", celsius: "35").working).to eq []
    end
  end

  describe Shared::Instruments::Driven do
    let(:ec) { with_motor(family: "ec", control: "0_10v", watts: 100.0) }

    it "drives a signal through three steps, or a bank through its stages" do
      names = ->(**more) { Shared::Instrument.of("driven", {}, user:, **more).fields.map(&:name) }
      expect(names.call).to eq %w[kind plate_watts at_0 at_5 at_10]
      expect(names.call(job: ec, fan: ec.unit.fans.first)).to eq %w[at_0 at_5 at_10]
      expect(described_class.new({"kind" => "stages"}, user:).fields.map(&:name)).to include "fans", "stage_8"
      rack = made_job(unit: made_unit(family: "fan_bank_condenser", fans: %w[condenser-1 condenser-2 condenser-3]))
      expect(names.call(job: rack, fan: rack.unit.fans.first)).to eq %w[stage_1 stage_2 stage_3]
    end

    it "judges what was driven" do
      expect(asked("driven", {at_0: "2", at_5: "30", at_10: "98"}, job: ec).result.verdict).to eq "follows"
      expect(asked("driven", {at_0: "2", at_5: "80", at_10: "40"}, job: ec).result.verdict).not_to eq "follows"
      expect(faults("driven", {at_0: "2", at_5: "loud", at_10: "98"}, job: ec).keys).to eq %w[at_5]
      expect(asked("driven", {at_0: "2"}, job: ec).result.verdict).to eq "incomplete"
      staged = asked("driven", kind: "stages", fans: "3", stage_1: "1", stage_2: "2", stage_3: "3")
      expect(staged.result.verdict).to eq "follows"
    end
  end

  describe Shared::Instruments::Replace do
    let(:typed) { {years_left: "4", repairs_a: "150", energy_a: "900", price: "6000", life: "12", energy_b: "600"} }

    it "takes each fault's way for a line, else what was typed" do
      job = made_job(decisions: [decided("bearing_worn")],
        part_choices: [chosen(offer: {"kind" => "van", "total_cents" => 24_000, "part_cents" => 24_000})])
      expect(asked("replace", {}, job:).lines.map { |one| one["what"] }).to eq ["Evaporator fan 1: Bearing worn"]
      expect(asked("replace", {}, job:).fields.map(&:name)).not_to include "repair"
      expect(asked("replace", typed).faults).to eq "repair" => "What does the repair cost?"
    end

    it "says how long the repair has to last, and which field is not understood" do
      told = asked("replace", typed.merge(repair: "300"))
      expect(told.faults).to eq({})
      expect(told.working).to match [["the repair has to last", /years, for both to cost the same/]]
      expect(faults("replace", typed.merge(repair: "300", life: "-3", rate: "a lot")).keys).to match_array %w[life rate]
    end
  end

  describe Shared::Instruments::Refrigerant do
    it "has as many rows as are filled, and one to go on with" do
      rows = ->(typed) { described_class.new(typed, user:).fields.count { |field| field.name.start_with?("on_") } }
      expect([rows[{}], rows[{"on_3" => "2031-02-01"}], rows[{"before_39" => "5"}], rows[{"after_40" => "1"}]])
        .to eq [3, 4, 40, 40]
    end

    it "puts a fault at its cylinder, however many rows were left out before it" do
      told = faults("refrigerant", full: "40", on_1: "2031-02-01", kind_1: "added", before_1: "30", after_1: "22",
        on_4: "never", kind_4: "added", before_4: "30", after_4: "22")
      expect(told.keys).to eq %w[on_4]
      expect(faults("refrigerant", on_1: "2031-02-01", before_1: "30").keys).to match_array %w[full after_1]
    end

    it "shows the yearly rate of the last addition" do
      told = asked("refrigerant", full: "40", on_1: "2031-02-01", before_1: "30", after_1: "22", on_2: "2031-06-01",
        before_2: "22", after_2: "20")
      expect(told.working.map(&:first)).to eq ["share = added ÷ full charge", "annual rate = share × 365 ÷ days"]
      recovered = asked("refrigerant", full: "40", on_1: "2031-02-01", kind_1: "recovered", before_1: "30",
        after_1: "32")
      expect(recovered.working).to eq []
    end
  end
end
