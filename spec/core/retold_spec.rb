# frozen_string_literal: true

RSpec.describe Fenbo::Retold do
  {
    "From 5.4 °C towards 14 °C it passes 8 °C in 9.0 h" => "From 41.7 °F towards 57.2 °F it passes 46.4 °F in 9.0 h",
    "−40 to 45 °C for −30 to 10 °C" => "−40 to 113 °F for −22 to 50 °F",
    "The hub may sit from 8.6 to 17.4 mm off its face" => "The hub may sit from 0.34 to 0.69 in off its face",
    "rising 0.4 K an hour, 2.3 kg added" => "rising 0.7 °F an hour, 5.07 lb added",
    "2 of 3 fans, 0.42 A at 230 V, 4 mm² of copper" => "2 of 3 fans, 0.42 A at 230 V, 4 mm² of copper"
  }.each do |said, told|
    it "tells “#{said}” in inches, pounds and Fahrenheit, and as it is to whoever reads SI" do
      expect([described_class.sentence(said, "us"), described_class.sentence(said, "si")]).to eq [told, said]
    end
  end

  it "writes a minus where the core has a hyphen, and leaves numbers of parts and ranges alone" do
    said = "From -17.2 °C (limit -12) on BR-S12-230, 8-10"
    expect([described_class.sentence(said, "si"), described_class.sentence(said, "us")])
      .to eq ["From −17.2 °C (limit −12) on BR-S12-230, 8-10", "From 1 °F (limit −12) on BR-S12-230, 8-10"]
  end

  it "tells a figure and its limit as the sentence beside them does, where that says one" do
    expect(described_class.beside([5.4, 8], "Box at 5.4 °C", "us")).to eq [41.7, 46.4]
    expect(described_class.beside([3.59, 2.22], "It will settle at 3.6 °C", "us")).to eq [38.5, 36.0]
    expect(described_class.beside([5.4, nil], "Box at 5.4 °C", "si")).to eq [5.4, nil]
    expect(described_class.beside([24.88, 30], "Time constant from readings 4 h apart", "us")).to eq [24.88, 30]
    expect(described_class.beside(["open", 1], "1 mm open", "us")).to eq ["open", 0.04]
  end
end
