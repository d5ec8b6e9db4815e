# frozen_string_literal: true

RSpec.describe Fenbo::Diagnosis::Diagnose do
  # Findings as "test outcome", or "test outcome position"; "just" behind it where it is the last answer.
  def diagnose(*findings, family: "walk_in_cooler", motor: "psc", side: "evaporator", fans: 2, **more)
    described_class.call(
      {
        "unit" => {
          "family" => family,
          "fans" => (1..fans).map { |number| {"position" => "#{side}-#{number}", "motor" => {"family" => motor}} }
        },
        "position" => "#{side}-1",
        "context" => {
          "side" => side
        },
        "findings" => findings.map { |line|
          %w[test outcome position].zip(line.delete_suffix(" just").split).to_h.compact
            .merge("just" => line.end_with?(" just"))
        }
      }.merge(more.transform_keys(&:to_s))
    )
  end

  {
    "winding_open" => [
      %w[fan_motion\ stopped noise\ silent voltage_at_motor\ in_range amps\ none winding_ohms\ open spin_by_hand\ free],
      {motor: "shaded_pole"}
    ],
    "bearing_seized" => [
      %w[fan_motion\ stopped noise\ hum_not_turning spin_by_hand\ seized amps\ locked blade_state\ sound],
      {}
    ],
    "bearing_worn" => [
      %w[fan_motion\ normal noise\ grinding amps\ over spin_by_hand\ gritty],
      {family: "remote_condenser", motor: "three_phase", side: "condenser"}
    ],
    "capacitor_open" => [%w[fan_motion\ twitching noise\ hum_not_turning spin_by_hand\ free capacitor\ open], {}],
    "ec_module_failed" => [
      %w[fan_motion\ stopped noise\ silent voltage_at_motor\ in_range control_call\ calling spin_by_hand\ free],
      {motor: "ec"}
    ],
    "fan_not_called" => [
      %w[
        fan_motion\ stopped
        noise\ silent
        control_call\ not_calling
        spin_by_hand\ free
        box_temperature\ normal
        voltage_at_motor\ absent
        setting\ right
      ],
      {}
    ],
    "defrost_failed" => [%w[fan_motion\ normal frost_pattern\ even_blocked airflow\ none forced_defrost\ no_heat], {}],
    "drain_blocked" => [
      %w[fan_motion\ normal airflow\ normal frost_pattern\ bottom_ice water_present\ yes drain_check\ blocked],
      {}
    ],
    "phase_lost" => [
      %w[fan_motion\ stopped fan_motion\ stopped\ condenser-2 noise\ hum_not_turning voltage_balance\ phase_missing],
      {family: "fan_bank_condenser", motor: "three_phase", side: "condenser"}
    ],
    "damper_stuck" => [
      %w[fan_motion\ normal compartments\ fresh_warm_freezer_cold airflow\ normal damper_check\ stuck_closed],
      {family: "household_top_freezer", motor: "shaded_pole", fans: 1}
    ],
    "charge_low" => [%w[fan_motion\ normal airflow\ normal frost_pattern\ feed_end_only sight_glass\ flashing], {}],
    "healthy" => [
      %w[
        fan_motion\ normal
        noise\ quiet_normal
        airflow\ normal
        amps\ within
        box_temperature\ normal
        frost_pattern\ even_light
        door_seal\ good
      ],
      {}
    ]
  }.each do |cause, (findings, options)|
    it "finds #{cause} in its textbook picture" do
      result = diagnose(*findings, **options)
      expect(result.verdict).to eq(cause), result[:sets].first(3).inspect
    end
  end

  it "says that a cause is shared out over several explanations where none of them leads with it" do
    told = diagnose("shaft_play rocks", "unit_alive alive", fans: 1)
    expect(told[:sets].first[:causes]).not_to include told.verdict
    label = Fenbo::Diagnosis::Cause.label(told.verdict)
    expect(told.reasons.first.text).to match(
      /\A#{label}: \d\d in 100, alone or with others; as a whole, .+ best: \d\d in 100, after 2 findings\z/
    )
  end

  it "starts undetermined and offers a look before live or dead work" do
    result = diagnose
    expect(result.verdict).to eq "undetermined"
    expect(result[:next_tests].first).to include(state: "L")
    expect(result[:next_tests].first[:outcomes].sum { |one| one[:chance] }).to be_within(0.02).of(1)
  end

  it "stops when decisive, and says so" do
    result =
      diagnose(
        "fan_motion stopped",
        "noise silent",
        "voltage_at_motor in_range",
        "amps none",
        "winding_ohms open",
        "spin_by_hand free",
        "connector_look good",
        "coil_through_light open",
        "nameplate_check matches",
        motor: "shaded_pole",
        state: "D"
      )
    expect(result[:decisive]).to be true
    expect(result.to_h.values_at(:stop, :next_tests)).to eq ["decisive", []]
    expect(result[:sets].first[:probability]).to be >= 0.9
  end

  it "names two causes where two are there" do
    result =
      diagnose(
        "fan_motion stopped", "noise hum_not_turning", "spin_by_hand seized", "blade_state sound",
        "amps locked", "water_present yes", "frost_pattern bottom_ice", "drain_check blocked"
      )
    expect(result[:sets].first[:causes]).to contain_exactly("bearing_seized", "drain_blocked")
  end

  it "reads the neighbours: alike speaks for what reaches them all" do
    alone = diagnose("fan_motion stopped", "noise silent", "fan_motion normal evaporator-2")
    together = diagnose("fan_motion stopped", "noise silent", "fan_motion stopped evaporator-2")
    chance = ->(result, id) { result[:causes].find { |one| one[:id] == id }&.fetch(:probability) || 0 }
    expect(chance[together, "no_supply"]).to be > 5 * chance[alone, "no_supply"]
    expect(chance[together, "winding_open"]).to be < chance[alone, "winding_open"]
  end

  it "takes a fan of a bank that turns backwards for one its neighbours may drive, until it is heard or alone" do
    bank = {family: "fan_bank_condenser", motor: "three_phase", side: "condenser", fans: 6}
    chance = ->(*findings, **place) {
      diagnose(*findings, **place)[:causes].find { |row| row[:id] == "rotation_reversed" }&.fetch(:probability).to_f
    }
    backwards = diagnose("fan_motion reversed", **bank)
    expect(backwards.verdict).to eq "undetermined"
    expect(backwards[:causes].map { |row| row[:id] }.first(6)).to include "fan_not_called", "rotation_reversed"
    expect(backwards[:causes].map { |row| row[:id] }.first(12)).not_to include "bearing_seized"
    expect(backwards[:next_tests].first[:state]).to eq "L"
    expect(chance["fan_motion reversed", "noise silent", **bank]).to be < 0.05
    expect(chance["fan_motion reversed", "noise quiet_normal", "airflow weak", **bank]).to be > 0.75
    expect(chance["fan_motion reversed", **bank, context: {"side" => "condenser", "recent_work" => true}]).to be > 0.5
    expect(chance["fan_motion reversed", **bank, family: "remote_condenser"]).to be > 0.4
    ec = diagnose("fan_motion reversed", "noise silent", family: "rack_condenser", motor: "ec", side: "condenser",
      fans: 6)
    expect([ec.verdict, ec[:none_of_these]]).to match ["ec_module_failed", be < 0.05]
  end

  it "asks nothing of a dead unit that only a live one answers, nor for the air of a fan that stands" do
    dead = diagnose("unit_alive all_dead", "fan_motion stopped")
    why = dead[:withheld].to_h { |one| one.values_at(:test, :why) }
    expect(why.slice("forced_defrost", "discharge_air_difference", "control_call", "motor_heat").values)
      .to eq ["rest of the unit came out as “all dead”, so it would say nothing"] * 4
    expect(why["airflow"]).to eq "fan motion came out as “stands still”, so it would say nothing"
    expect(dead[:next_tests].map { |one| one[:test] }).to include("voltage_at_motor", "insulation")
  end

  it "never offers what state, equipment or findings forbid, and says why" do
    result = diagnose("fan_motion stopped", "control_call not_calling", motor: "shaded_pole")
    expect(
      result[:next_tests].map { |one| one[:test] } &
        %w[amps amps_beside_neighbours capacitor door_switch_held damper_check voltage_balance]
    ).to be_empty
    why = result[:withheld].to_h { |one| one.values_at(:test, :why) }
    expect(why["amps"]).to match(/not calling/)
    expect(why["capacitor"]).to match(/motor of this family/)
    expect(why["damper_check"]).to match(/no damper/)
    expect(diagnose(fans: 1)[:withheld].map { |one| one[:test] }).to include "amps_beside_neighbours"
    beside = ->(*lines) { diagnose(*lines, fans: 3)[:withheld].find { |one| one[:test] == "amps_beside_neighbours" } }
    still = ["fan_motion stopped evaporator-2", "fan_motion stopped evaporator-3"]
    expect(beside.call(*still)[:why]).to eq "no neighbour runs to compare it with"
    expect([beside.call(still.first), beside.call(*still, "fan_motion normal evaporator-3")]).to all be_nil
  end

  it "counts the way to a state in a test's minutes" do
    minutes = ->(result, id) { result[:next_tests].find { |one| one[:test] == id }&.fetch(:minutes) }
    from_look = diagnose("fan_motion stopped", "noise silent")
    expect(minutes[from_look, "control_call"]).to eq 8
    expect(minutes[from_look, "winding_ohms"]).to eq 13
    expect(minutes[diagnose("fan_motion stopped", "noise silent", state: "D"), "winding_ohms"]).to eq 4
  end

  it "shows a contradiction and keeps both answers of a question asked twice" do
    odd =
      diagnose(
        "fan_motion stopped",
        "noise silent",
        "voltage_at_motor in_range",
        "amps none",
        "winding_ohms open",
        "spin_by_hand gritty",
        motor: "shaded_pole"
      )
    expect(odd[:contradictions].map { |one| one[:test] }).to eq ["spin_by_hand"]
    expect(odd[:contradictions].first[:why]).to match(/Repeat it/)
    twice = diagnose("fan_motion normal", "fan_motion stopped")
    expect(twice[:contradictions].first).to include(test: "fan_motion", outcome: "normal")
    # The later answer leads, the earlier one still tempers it; a third settles it.
    chance = ->(result) { result[:causes].find { |one| one[:id] == "winding_open" }&.fetch(:probability) || 0 }
    thrice = diagnose("fan_motion normal", "fan_motion stopped", "fan_motion stopped")
    expect([diagnose("fan_motion normal"), twice, thrice].map(&chance).each_cons(2)).to all(satisfy { |a, b| b > a })
  end

  it "moves base rates by age and recent work" do
    chance = ->(id, **context) do
      diagnose(
        "fan_motion normal",
        "airflow weak",
        motor: "three_phase",
        context: {
          "side" => "evaporator",
          **context.transform_keys(&:to_s)
        }
      )[
        :causes
      ].find { |one| one[:id] == id }&.fetch(:probability) || 0
    end
    expect(chance["rotation_reversed", recent_work: true]).to be > 4 * chance["rotation_reversed", recent_work: false]
    expect(chance["bearing_worn", age_years: 12]).to be > chance["bearing_worn", age_years: 1]
  end

  it "leaves out what tells nothing and does not depend on the order of findings" do
    findings = ["fan_motion stopped", "noise silent", "spin_by_hand free", "airflow none"]
    plain = diagnose(*findings)
    expect(diagnose(*findings, "frost_pattern not_visible", "sound_recording unclear")[:causes]).to eq plain[:causes]
    close = ->(one, other) { one.zip(other).map { |a, b| (a[:probability] - b[:probability]).abs }.max }
    expect(close[diagnose(*findings.reverse)[:causes], plain[:causes]]).to be < 1e-9
  end

  it "always gives a distribution, with a place for none of these" do
    random = Random.new(11)
    tests = Fenbo::Diagnosis::Test.all.values
    25.times do
      lines = tests.sample(6, random:).map { |test| "#{test.id} #{test.outcomes.sample(random:)}" }
      result = diagnose(*lines)
      expect(result[:sets].sum { |one| one[:probability] } + result[:none_of_these]).to be <= 1.001
      expect(result[:none_of_these]).to be_between(0, 1)
      expect(result[:causes].map { |one| one[:probability] }).to all(be_between(0, 1))
    end
  end

  it "finds three causes where three are there" do
    result =
      diagnose(
        "fan_motion stopped",
        "noise hum_not_turning",
        "spin_by_hand seized",
        "blade_state sound",
        "amps locked",
        "shaft_play rocks",
        "water_present yes",
        "drain_check blocked",
        "drain_check blocked",
        "frost_pattern even_blocked",
        "forced_defrost no_heat",
        "defrost_heater_ohms open",
        "coil_through_light iced"
      )
    expect(result[:sets].first[:causes]).to contain_exactly("bearing_seized", "drain_blocked", "defrost_failed")
  end

  it "offers an answer that does not fit once more, and never a question that told nothing" do
    lines = ["fan_motion stopped", "noise silent", "spin_by_hand gritty", "winding_ohms open", "shaft_play none",
      "voltage_at_motor in_range"]
    again = ->(*given) {
      diagnose(*given, motor: "shaded_pole", state: "D")[:next_tests].select { |one|
        one[:again]
      }.map { |one| one[:test] }
    }
    expect(again[*lines]).to include "spin_by_hand"
    expect(again[*lines.map { |line| line.sub("gritty", "gritty just") }]).not_to include "spin_by_hand"
    tried = diagnose("noise grinding", "sound_recording unclear")
    expect(tried[:next_tests].map { |one| one[:test] }).not_to include "sound_recording"
  end

  it "hears the complaint as a second witness, who counts for less than a look" do
    chance = ->(id, *findings, complaint: []) do
      diagnose(*findings, context: {"side" => "evaporator", "complaint" => complaint})[:causes]
        .find { |one| one[:id] == id }
        &.fetch(:probability) || 0
    end
    expect(chance["drain_blocked", complaint: ["water"]]).to be > 2 * chance["drain_blocked"]
    dry, wet = %w[no yes].map { |answer| "water_present #{answer}" }
    expect(chance["drain_blocked", dry,
      complaint: ["water"]]).to be_between(chance["drain_blocked", dry], chance["drain_blocked"] * 0.9)
    expect(chance["drain_blocked", wet, complaint: ["water"]]).to be > chance["drain_blocked", wet]
    # Who has a sound fan calls too, and says one thing or another.
    sound = ["fan_motion normal", "noise quiet_normal", "airflow normal", "box_temperature normal"]
    expect(diagnose(*sound, context: {"side" => "evaporator", "complaint" => ["too_warm"]}).verdict).to eq "healthy"
    expect(diagnose(context: {"complaint" => ["ghosts"]}).faults.map(&:field)).to eq ["context.complaint.0"]
  end

  it "takes a complaint that another fan explains for no sign of this one" do
    told = ->(complaint, *more) {
      diagnose("fan_motion stopped", *more, context: {"side" => "evaporator", "complaint" => complaint})[:causes]
    }
    grinds = "noise grinding evaporator-2"
    expect(told[["noise"], grinds]).to eq told[[], grinds]
    # Quiet there, or looked at again and quiet now, it is still this one's.
    expect(told[["noise"], "noise quiet_normal evaporator-2"]).not_to eq told[[], "noise quiet_normal evaporator-2"]
    expect(told[["noise"], grinds, "noise quiet_normal evaporator-2"])
      .not_to eq told[[], grinds, "noise quiet_normal evaporator-2"]
  end

  it "leaves out no set of three that matters", :slow do
    random = Random.new(4)
    4.times do
      rig = FenboSimulation::CaseMaker.new(random).draw
      tests = Fenbo::Diagnosis::Test.all.values.select { |test| rig.rig.equipment.test?(test) }.sample(6, random:)
      file =
        Fenbo::Diagnosis::CaseFile.read(
          Fenbo::Input.new(
            {
              "unit" => {
                "family" => rig.rig.family,
                "fans" => [{"position" => "#{rig.rig.side}-1", "motor" => {"family" => rig.rig.motor}}]
              },
              "position" => "#{rig.rig.side}-1",
              "findings" => tests.map { |test| {"test" => test.id, "outcome" => rig.see(test.id)} }
            }
          )
        )
      model = Fenbo::Diagnosis::Model.for(file.equipment)
      weighed = Fenbo::Diagnosis::Posterior.of(file, model).causes
      expect(weighed.map { |cause, chance| (chance - full_sum(file, model)[cause]).abs }.max).to be < 0.005
    end
  end

  # Every set of up to three, one by one.
  def full_sum(file, model)
    @full_sum ||= {}
    @full_sum[file] ||= begin
      odds = model.company(age_band: nil, recent_work: false)
      sets =
        (0..3).flat_map { |size| model.causes.each_index.to_a.combination(size).select { |set| model.possible?(set) } }
      weight = ->(prior, motion, chances) do
        motion.each_with_index.sum do |share, m|
          file.evidence.inject(prior * share) { |product, one| product * one.likelihood(chances[one.test, m]) }
        end
      end
      held = Hash.new(0.0)
      whole = weight[model.unknown_odds, model.state_of_unknown, ->(test, m) { model.of_unknown(test, m) }]
      sets.each do |set|
        one = weight[odds.weight(set), model.state_of(set), ->(test, m) { model.distribution(test, m, set) }]
        whole += one
        model.causes_of(set).each { |cause| held[cause] += one }
      end
      model.causes.to_h { |cause| [cause, held[cause] / whole] }
    end
  end

  it "names every wrong field at once" do
    refusal =
      described_class.call(
        {
          "unit" => {
            "family" => "spaceship",
            "fans" => [{"position" => "evaporator-1", "motor" => {"family" => "steam"}}]
          },
          "position" => "evaporator-9",
          "findings" => [
            {"test" => "spin_by_hand", "outcome" => "loud"},
            {"test" => "crystal_ball", "outcome" => "x"},
            7
          ],
          "state" => "Z",
          "cost" => {
            "minute" => -1
          }
        }
      )
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "unit.family", "unit.fans.0.motor.family", "position", "findings.0.outcome", "findings.1.test",
      "findings.2", "findings.2.test", "findings.2.outcome", "state", "cost.minute"
    )
  end
end
