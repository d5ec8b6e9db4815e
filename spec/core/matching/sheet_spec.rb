# frozen_string_literal: true

require_relative "../../../db/demo/motor_maker"

RSpec.describe Fenbo::Matching::Sheet do
  sheet = described_class.of("motors")
  plain = {
    "part_no" => "A-1",
    "maker" => "Brennik",
    "family" => "psc",
    "volts" => "115;230",
    "amps" => "2;1",
    "phases" => "1",
    "flammable_ok" => "1"
  }
  define_method(:faults) { |change, kind = sheet| kind.read(plain.merge(change)).last }

  it "reads lists, flags and numbers by column, leaves unknown what is empty, and one view of rotation" do
    values, wrong =
      sheet.read(
        plain.merge("rotation" => "CW", "rotation_view" => "lead_end", "cross_reference" => "X1; X2;", "watts" => " ")
      )
    expect(wrong).to eq []
    expect(values).to include(
      "volts" => [115, 230],
      "amps" => [2, 1],
      "flammable_ok" => true,
      "rotation" => "ccw",
      "cross_reference" => %w[X1 X2],
      "watts" => nil,
      "hertz" => []
    )
  end

  {
    {"shaft_diameter_mm" => "0.25"} => /0.25 cannot be right.*inches, 6.35 mm/,
    {"amps" => "2000;1000"} => /milliamperes/,
    {"ambient_high_c" => "140"} => /Fahrenheit/,
    {"horsepower" => "250"} => /watts/,
    {"price_cents" => "89.50"} => /cents/,
    {"price_cents" => "89,00"} => /cents/,
    {"watts" => "1,500"} => /write the point/,
    {"volts" => "0.23"} => /kilovolts/,
    {"family" => "steam"} => /none of shaded_pole/,
    {"maker" => ""} => /is missing/,
    {"flammable_ok" => "perhaps"} => /neither 0 nor 1/,
    {"part_no" => "x" * 61} => /longer than 60/,
    {"ambient_low_c" => "20", "ambient_high_c" => "20"} => /not above/,
    {"superseded_by" => "A-1"} => /itself/,
    {"amps" => "2;1;3"} => /3 currents for 2 voltages/,
    {"watts" => "900"} => /power factor/
  }.each do |change, words|
    it("refuses #{change.map { |pair| pair.join(" ")[0, 40] }.join(", ")}") do
      expect(faults(change).map(&:last)).to include(words)
    end
  end

  it "names every wrong cell of a row at once, and knows a file by its header" do
    expect(faults({"watts" => "x", "rpm" => "5", "mount" => "m" * 50}).map(&:first)).to contain_exactly(
      "watts",
      "rpm",
      "mount"
    )
    expect(
      [
        %w[part_no maker bore_mm hub],
        %w[part_no maker kind to_mm],
        %w[part_no maker volts],
        %w[name price]
      ].map { |header| described_class.kind_of(header) }
    ).to eq ["blades", "accessories", "motors", nil]
  end

  it "counts a file's own lines: blank ones and cells that run over several" do
    rows = Fenbo::Matching::Rows.new("a,b\r\n\r\n1,2\r\n , \r\n\"x\r\ny\",3\r\n4,5")
    expect(rows.to_a).to eq [[1, %w[a b]], [3, %w[1 2]], [5, ["x\r\ny", "3"]], [7, %w[4 5]]]
    expect { Fenbo::Matching::Rows.new("a,\"b").to_a }.to raise_error(CSV::MalformedCSVError)
  end

  it "parts cells by what parts the first line, and reads a decimal comma" do
    rows = Fenbo::Matching::Rows.new("part_no;amps\nA-1;\"0,85;0,42\"\n")
    expect(rows.to_a).to eq [[1, %w[part_no amps]], [2, ["A-1", "0,85;0,42"]]]
    expect(Fenbo::Matching::Rows.new("a\tb\n1\t2,5\n").to_a.last).to eq [2, ["1", "2,5"]]
    values, faults = sheet.read(plain.merge("amps" => "0,85;0,42"))
    expect([values["amps"], faults]).to eq [[0.85, 0.42], []]
  end

  it "gives back what it wrote, for five hundred made motors" do
    Demo::MotorMaker
      .new(seed: 3)
      .rows
      .first(500)
      .each do |row|
        row = row.transform_keys(&:to_s)
        values, wrong = sheet.read(sheet.columns.keys.zip(sheet.write(row)).to_h)
        expect(wrong).to eq []
        expect(values.slice(*row.keys)).to eq row.slice(*values.keys)
      end
  end
end
