# frozen_string_literal: true

# Faults in company, causes behind causes, and what has to be looked at before it is sure.
RSpec.describe Fenbo::Diagnosis::Company do
  def diagnose(*lines, family: "walk_in_cooler", side: "evaporator", motor: "shaded_pole", state: "L", **context)
    Fenbo.call("diagnose", {
      "unit" => {"family" => family, "fans" => [{"position" => "#{side}-1", "motor" => {"family" => motor}}]},
      "position" => "#{side}-1", "state" => state, "context" => {"side" => side, **context.transform_keys(&:to_s)},
      "findings" => lines.map { |line| %w[test outcome].zip(line.split).to_h }
    })
  end

  def chance(result, id)
    result[:causes].find { |one| one[:id] == id }&.probability || 0
  end

  it "names a worn bearing and a dirty condenser where both are plain" do
    result = diagnose("noise grinding", "spin_by_hand gritty", "condenser_face blocked", "airflow weak",
      family: "reach_in", side: "condenser", state: "D")
    expect([chance(result, "bearing_worn"), chance(result, "condenser_dirty")]).to all be > 0.5
  end

  it "believes hand and eye in two faults of which the ear named one, or the air neither" do
    {
      # A rattle hides the growl of the bearing behind it, for the ear and for the recorder.
      %w[bearing_worn mount_loose] => ["noise rattling", "sound_recording imbalance", "blade_state sound",
        "mount_check perished_or_loose", "spin_by_hand gritty", "spin_by_hand gritty", "shaft_play none"],
      # A blade that touches behind a sagged mount is mended too.
      %w[blade_rubbing mount_loose] => ["noise rattling", "blade_state touching", "mount_check perished_or_loose",
        "spin_by_hand free", "shaft_play none"],
      %w[bearing_worn blade_fouled] => ["noise grinding", "spin_by_hand gritty", "blade_cleanliness caked",
        "blade_cleanliness caked", "mount_check good", "airflow normal"],
      # What a still fan does to air and box does not speak against a coil that is seen to be shut.
      %w[evaporator_dirty winding_open] => ["noise silent", "voltage_at_motor in_range", "winding_ohms open",
        "spin_by_hand free", "coil_through_light blocked_inside", "coil_through_light blocked_inside",
        "discharge_air_difference near_zero_coil_cold", "box_temperature warm"]
    }.each do |both, lines|
      set = diagnose(*lines, state: "D")[:sets].first.causes
      expect(set).to match_array(both)
    end
  end

  it "believes two that have nothing to do with each other where each was seen by two looks" do
    worn = ["noise grinding", "spin_by_hand gritty", "shaft_play rocks", "mount_check good", "blade_state sound",
      "blade_cleanliness like_surroundings"]
    {
      "connection_burnt" => ["connector_look burnt", "terminal_temperature one_hot"],
      "drain_blocked" => ["drain_check blocked", "water_present yes", "frost_pattern bottom_ice"],
      "charge_low" => ["sight_glass flashing", "frost_pattern feed_end_only"]
    }.each do |other, seen|
      set = diagnose(*worn, *seen, state: "D")[:sets].first.causes
      expect(set).to contain_exactly("bearing_worn", other)
    end
    once, twice = [1, 2].map { |times| diagnose(*worn, *["connector_look burnt"] * times, state: "D") }
    expect(chance(twice, "connection_burnt")).to be > 2 * chance(once, "connection_burnt")
  end

  it "meets what lingers oftener by chance than what stops a unit" do
    model = Fenbo::Diagnosis::Model.for(Fenbo::Diagnosis::Equipment.new(family: "walk_in_cooler", side: "evaporator",
      motor: "psc"))
    company = model.company(age_band: "middle", recent_work: false)
    beside = ->(id) {
      one, first = [id, "winding_open"].map { |name| model.place(Fenbo::Diagnosis::Cause[name]) }
      company.weight([one, first].sort) / company.weight([first]) / company.weight([one])
    }
    expect(beside["door_seal_leaking"] / beside["setpoint_wrong"]).to be > 1.5
  end

  it "sees the condenser of a one-piece unit from its cold side, and nowhere else" do
    lines = ["box_temperature warm", "fan_motion normal", "condenser_face blocked"]
    expect(chance(diagnose(*lines, family: "reach_in"), "condenser_dirty")).to be > 0.5
    expect(chance(diagnose(*lines), "condenser_dirty")).to eq 0
  end

  it "counts ice once, however many looks see it" do
    once = diagnose("fan_motion normal", "frost_pattern even_blocked", "airflow weak")
    twice = diagnose("fan_motion normal", "frost_pattern even_blocked", "airflow weak", "coil_through_light iced")
    expect(chance(twice, "defrost_failed")).to be_within(0.12).of(chance(once, "defrost_failed"))
    expect(twice[:decisive]).to be false
  end

  it "lets a wedged blade be held fast like a seized bearing" do
    result = diagnose("fan_motion stopped", "noise hum_not_turning", "spin_by_hand seized", "blade_state touching")
    expect(result.verdict).to eq "blade_rubbing"
  end

  it "asks for what would look just so before it is sure" do
    {
      "setting" => [["box_temperature very_warm", "frost_pattern clear", "discharge_air_difference near_zero_coil_warm",
        "fan_motion normal", "noise quiet_normal"], {}],
      "contactor_look" => [["fan_motion stopped", "noise hum_not_turning", "voltage_balance phase_missing",
        "amps locked", "spin_by_hand free", "winding_ohms normal", "connector_look good"],
        {family: "fan_bank_condenser", side: "condenser", motor: "three_phase", state: "D"}]
    }.each do |test, (lines, where)|
      result = diagnose(*lines, **where)
      expect(result[:decisive]).to be(false), test
      expect(result[:next_tests].map { |one| one[:test] }).to include(test)
    end
  end

  it "never takes a recording alone for a worn bearing" do
    heard = ["sound_recording bearing", "noise grinding", "fan_motion normal", "airflow normal", "blade_state sound",
      "blade_cleanliness like_surroundings", "box_temperature normal", "motor_heat hot"]
    expect(diagnose(*heard)[:decisive]).to be false
    expect(diagnose(*heard, "spin_by_hand gritty", "mount_check good", "shaft_play rocks", "setting right", "amps over",
      "connector_look good", "hub_grip tight", "nameplate_check matches", state: "D")[:decisive]).to be true
  end

  it "leaves no complaint unexplained behind a sure set" do
    lines = ["box_temperature very_warm", "frost_pattern clear", "discharge_air_difference near_zero_coil_warm",
      "fan_motion normal", "noise quiet_normal", "setting right"]
    expect(diagnose(*lines)[:decisive]).to be true
    wet = diagnose(*lines, complaint: ["water"])
    expect(wet[:decisive]).to be false
    expect(wet[:open].flat_map { |one| one[:tests] }).to include "water_present"
  end

  it "says of each companion how it stands and what leaving it risks" do
    result = diagnose("noise grinding", "spin_by_hand gritty", "shaft_play rocks", "amps over", "blade_state sound",
      state: "D")
    rows = result[:companions].to_h { |row| [row[:cause], row] }
    expect(rows["mount_loose"].to_h).to include(standing: "not_looked", look: "mount_check", minutes: 2)
    expect(rows["mount_loose"][:risk_minutes]).to be > 10
    expect(rows["blade_rubbing"][:standing]).to eq "ruled_out"
    expect(result.reasons.map(&:text)).to include(/Mount loose was not looked at/)
  end

  it "says what an effect comes of, where that is there and no part mends the effect" do
    origin = ->(id, *set, side: "evaporator") { Fenbo::Diagnosis::Companion.origin(id, set, side)&.second }
    expect(origin["blade_iced", "blade_iced", "drain_blocked", "defrost_failed"]).to eq "defrost_failed"
    expect(origin["blade_rubbing", "blade_rubbing", "bearing_worn"]).to eq "bearing_worn"
    # Alone; not there itself; mended by a part of its own.
    expect([origin["blade_iced", "blade_iced"], origin["blade_iced", "defrost_failed"],
      origin["bearing_seized", "bearing_seized", "condenser_dirty", side: "condenser"]]).to eq [nil, nil, nil]
  end

  it "says how sure a companion is, and all that leads in one sentence" do
    result = diagnose("blade_state iced", "frost_pattern even_blocked", "door_seal good", "drain_check blocked",
      "noise scraping")
    expect(result.reasons.first.text).to start_with "Blade held by ice together with defrost failed and drain blocked"
    likely, plain = [[], %w[forced_defrost defrost_heater_ohms]].map { |tests|
      outcomes = {"forced_defrost" => "no_heat", "defrost_heater_ohms" => "open"}
      diagnose("blade_state iced", "frost_pattern even_blocked", "door_seal good", "noise scraping",
        *tests.map { |one| "#{one} #{outcomes[one]}" }).reasons.map(&:text).join("; ")
    }
    expect(likely).to include "Defrost failed likely comes with it"
    expect(plain).not_to include "likely comes"
  end

  it "tells of two causes that bring each other once" do
    result = diagnose("blade_state touching", "noise scraping", "mount_check perished_or_loose", state: "D")
    expect(result.sets.first[:causes]).to match_array %w[blade_rubbing mount_loose]
    found = result[:companions].select { |row| row[:standing] == "found" }
    expect(found.map { |row| row[:cause] }).to eq(%w[blade_rubbing mount_loose] - [result.verdict])
  end

  it "does not let two causes bring each other" do
    equipment = Fenbo::Diagnosis::Equipment.new(family: "walk_in_cooler", side: "evaporator", motor: "shaded_pole")
    model = Fenbo::Diagnosis::Model.for(equipment)
    company = model.company(age_band: nil, recent_work: false)
    weight = ->(*ids) { company.weight(ids.map { |id| model.place(Fenbo::Diagnosis::Cause[id]) }.sort) }
    expect(weight["winding_open", "bearing_worn", "mount_loose"]).to be < 0.5 * weight["winding_open", "bearing_worn"]
    expect(weight["bearing_worn", "mount_loose"]).to be > 5 * weight["bearing_worn", "drain_blocked"]
    old = model.company(age_band: "old", recent_work: false)
    share = ->(one) {
      pair = %w[bearing_worn mount_loose].map { |id| model.place(Fenbo::Diagnosis::Cause[id]) }.sort
      one.weight(pair) / one.weight([model.place(Fenbo::Diagnosis::Cause["bearing_worn"])])
    }
    expect(share[old]).to be > share[company]
  end

  it "takes the same look twice for less than two witnesses, and two for more than one odd sign" do
    seized = ["fan_motion stopped", "noise hum_not_turning"]
    one = chance(diagnose(*seized, "spin_by_hand seized"), "bearing_seized")
    two = chance(diagnose(*seized, "spin_by_hand seized", "spin_by_hand seized"), "bearing_seized")
    expect(two).to be_between(one, 1 - (1 - one) / 8)
    outvoted = diagnose(*seized, "spin_by_hand free", "spin_by_hand seized", "spin_by_hand seized", "blade_state sound")
    expect(outvoted.verdict).to eq "bearing_seized"
  end

  it "asks nothing a third time that was answered twice alike" do
    lines = ["fan_motion normal", "noise quiet_normal", "frost_pattern even_blocked", "door_seal leaks"]
    asked = ->(*more) { diagnose(*lines, *more)[:next_tests].select { |one| one[:again] }.map { |one| one[:test] } }
    expect(asked.call).to include "door_seal"
    expect(asked.call("door_seal leaks")).not_to include "door_seal"
  end

  it "counts a wrong answer as one of the others, so that of two answers it is the other" do
    %w[setting noise].each do |id|
      test = Fenbo::Diagnosis::Test[id]
      said = Fenbo::Diagnosis::Finding.new(test_id: id, outcome: test.outcomes.first, position: nil)
      evidence = Fenbo::Diagnosis::Evidence.of([said])
      sure = test.outcomes.each_index.map { |k|
        evidence.likelihood(test.outcomes.each_index.map { |t|
          (t == k) ? 1.0 : 0.0
        })
      }
      expect(sure.first).to be_within(1e-9).of(1 - test.mistake)
      expect(sure.drop(1)).to all be_within(1e-9).of(test.mistake / (test.outcomes.size - 1))
    end
  end

  it "adds the minutes of states up over every path" do
    Fenbo::Knowledge.table("families").each do |family, row|
      side = row["sides"].first
      equipment = Fenbo::Diagnosis::Equipment.new(family:, side:)
      file = Fenbo::Diagnosis::CaseFile.read(Fenbo::Input.new({"unit" => {"family" => family},
"position" => "#{side}-1"}))
      offer = Fenbo::Diagnosis::Offer.new(file, equipment)
      way = ->(from, to) { offer.send(:change_minutes, from, to) }
      %w[L C P D].permutation(3) do |from, over, to|
        expect(way[from, to]).to be <= way[from, over] + way[over, to], "#{family}: #{from} over #{over} to #{to}"
      end
    end
  end
end
