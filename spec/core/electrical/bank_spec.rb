# frozen_string_literal: true

require "spec_helper"

# The fans of a bank side by side, and a plate as it is asked about.
RSpec.describe Fenbo::Electrical::Bank, :made_jobs do
  let(:keys) { %w[evaporator-1 evaporator-2 evaporator-3 evaporator-4] }

  # @param amps [Hash{String => Array}] fan => [amps, verdict]
  def bank(amps = {}, findings: [], fans: keys)
    readings = amps.map do |fan, (figure, verdict)|
      legs = Array(figure).map { |one| {"amps" => one, "error" => 0.0, "verdict" => verdict} }
      read("amps", verdict, fan:, result: {"verdict" => verdict, "legs" => legs, "reasons" => []})
    end
    described_class.new(made_job(unit: made_unit(fans:), readings:, findings:))
  end

  def odd(...) = bank(...).odd_ones.to_h { |row| [row.fan.key, row.odd] }

  it "compares with the others that are in good standing, and says nothing where there are none" do
    fan = made_unit(fans: keys).fans.first
    beside = ->(amps, others, verdict = "under") { bank(others).beside(fan, amps, verdict) }
    well = {"evaporator-2" => [0.4, "within"], "evaporator-3" => [0.42, "within"]}
    expect([0.41, 0.8, 0.1].map { |amps| beside[amps, well] }).to eq %w[alike higher lower]
    expect(beside[0.41, well.merge("evaporator-4" => [2.0, "locked"])]).to eq "alike"
    expect(beside[0.4, {}]).to be_nil
    expect(beside[nil, well]).to be_nil
    ill = {"evaporator-2" => [0.1, "under"]}
    expect([beside[0.1, ill], beside[0.4, ill, "within"]]).to eq ["alike", nil]
    still = {"evaporator-2" => [0.0, "none"]}
    expect([beside[0.0, still], beside[0.4, still]]).to eq %w[alike higher]
  end

  it "leaves out a reading whose answer cannot be read any more" do
    told = read("amps", "within", fan: "evaporator-1", result: {"legs" => [{"amps" => 0.4}]})
    bank = described_class.new(made_job(unit: made_unit(fans: keys), readings: [told]))
    expect(bank.rows.filter_map(&:reading)).to be_empty
  end

  it "leaves the other side of the unit out of it" do
    fans = %w[evaporator-1 condenser-1 condenser-2]
    both = {"condenser-1" => [3.0, "within"], "condenser-2" => [3.1, "within"]}
    expect(bank(both, fans:).beside(made_unit(fans:).fans.first, 0.4, "within")).to be_nil
  end

  it "takes the mean of three legs" do
    row = bank({"evaporator-1" => [[1.0, 1.1, 1.2], "within"]}).rows.first
    expect(described_class.mean(row.reading.answer)).to be_within(1e-9).of(1.1)
    expect(described_class.mean(nil)).to be_nil
  end

  it "names the odd one only where the others agree" do
    same = {"evaporator-2" => [0.4, "within"], "evaporator-3" => [0.41, "within"]}
    expect(odd(same.merge("evaporator-1" => [0.2, "under"]))).to eq "evaporator-1" => "draws less than the others"
    expect(odd(same.merge("evaporator-1" => [0.9, "over"]))).to eq "evaporator-1" => "draws more than the others"
    expect(odd({"evaporator-1" => [0.2, "under"], "evaporator-2" => [0.4, "within"]})).to eq({})
    differ = {"evaporator-2" => [0.3, "within"], "evaporator-3" => [0.6, "within"], "evaporator-1" => [0.1, "under"]}
    expect(odd(differ)).not_to have_key "evaporator-1"
  end

  it "names the one that alone stands still or sounds otherwise" do
    seen = keys.first(3).map { |fan| found("fan_motion", (fan == "evaporator-2") ? "stopped" : "normal", fan:) }
    expect(odd({}, findings: seen)).to eq "evaporator-2" => "alone stands still"
    expect(odd({}, findings: seen.first(2))).to eq({})
    two = seen + [found("fan_motion", "stopped", fan: "evaporator-4")]
    expect(odd({}, findings: two)).to eq({})
  end

  describe Fenbo::Electrical::Plate do
    it "asks about a motor at its unit's supply, with what only a plate in place tells" do
      three = made_motor(family: "three_phase", volts: [230.0, 400.0], amps: [3.6, 2.1], service_factor: 1.15,
        locked_rotor_amps: 12.0)
      expect(described_class.new(three, 400).question(turning: true)).to include(
        "nameplate_amps" => 2.1, "nameplate_volts" => 400.0, "service_factor" => 1.15, "locked_rotor_amps" => 12.0,
        "turning" => true
      )
      expect(described_class.new(made_part,
        230).question).to include("nameplate_amps" => 0.45, "locked_rotor_amps" => nil)
      expect(described_class.new(nil, 230).question.values.uniq).to eq [nil]
    end

    it "knows beforehand where the amps will have to lie, but not of what is judged by watts" do
      window = described_class.new(made_motor, 230).window
      expect([window.low, window.high]).to match [be_between(0.3, 0.42), be_between(0.43, 0.6)]
      three = described_class.new(made_motor(family: "three_phase", amps: [2.0], service_factor: 1.15), 400).window
      expect(three.high).to be_within(1e-9).of(2.3)
      expect(described_class.new(made_motor(family: "ec"), 230).window).to be_nil
      expect(described_class.new(made_motor(amps: []), 230).window).to be_nil
      expect(described_class.new(nil, 230).window).to be_nil
    end
  end
end
