# frozen_string_literal: true

RSpec.describe Fenbo::Quantities do
  [
    ["3/8 in", "length", 9.525],
    ["1 3/8\"", "length", 34.925],
    ["9,5 mm", "length", 9.5],
    ["41 °F", "temperature", 5.0],
    ["−18 °C", "temperature", -18.0],
    ["9 °F", "difference", 5.0],
    ["1,2 A", "current", 1.2],
    ["850 mA", "current", 0.85],
    ["1/15 HP", "power", 49.7133],
    ["7.5 uF", "capacitance", 7.5],
    ["1,5 h", "duration", 90.0],
    ["> 500 MΩ", "insulation", 500.0],
    ["≥2 GΩ", "insulation", 2000.0],
    ["1:30", "duration", 90.0],
    ["1:30 h", "duration", 90.0],
    ["1 h 30", "duration", 90.0],
    ["2h15 min", "duration", 135.0],
    ["8 lb 4 oz", "mass", 3.74213],
    ["2 ft 6 in", "length", 762.0],
    ["2' 6.5\"", "length", 774.7],
    [".5 A", "current", 0.5]
  ].each do |typed, kind, value|
    it("understands #{typed}") { expect(described_class.read(typed, kind).value).to be_within(1e-4).of(value) }
  end

  ["", "abc", "5 parsec", "1/0 in", "1.2.3 mm", "5 °C", "9" * 60, "1e5 mm", "99999999 mm"].each do |typed|
    it "refuses #{typed.inspect[0, 20]} kindly" do
      reading = described_class.read(typed, "length")
      expect(reading).not_to be_ok
      expect(reading.fault).to match(/\.\z/)
    end
  end

  it "refuses two figures that do not make one" do
    {"1:75" => "duration", "30 min 1 h" => "duration", "1:30" => "mass", "1 h 30 oz" => "duration",
     "8 lb 4 g" => "mass", "> 5 Ω" => "resistance"}.each do |typed, kind|
      expect(described_class.read(typed, kind)).not_to be_ok, typed
    end
  end

  it "takes a bare number in the reader's own system" do
    expect(described_class.read("41", "temperature", system: "us").value).to be_within(1e-9).of(5)
    expect(described_class.read("41", "temperature").value).to eq 41
  end

  it "shows and reads back the same in both systems" do
    described_class.kinds.each_key do |kind|
      %w[si us].each do |system|
        shown = described_class.show(12.5, kind, system, digits: 6)
        expect(described_class.read(shown, kind, system:).value).to be_within(1e-3).of(12.5), "#{kind} #{shown}"
      end
    end
  end

  {"7" => 7.0, " 0,25 " => 0.25, "−3.5" => -3.5, "–2" => -2.0, "1e3" => nil, "1/2" => nil, "" => nil, "5 A" => nil,
   "1234567890" => nil, "-4.1234567890625" => -4.1234567890625}.each do |typed, number|
    it("reads #{typed.inspect} as a plain number: #{number.inspect}") {
      expect(described_class.number(typed)).to eq number
    }
  end

  it "rounds to three figures that count, in plain figures" do
    expect([0.8624, 1104.2, 999.6, 1.0, 12.94, -0.5].map { |one| described_class.rounded(one) })
      .to eq %w[0.862 1100 1000 1 12.9 −0.5]
  end
end
