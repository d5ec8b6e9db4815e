# frozen_string_literal: true

RSpec.describe Fenbo::SafeCell do
  it "marks what a spreadsheet would reckon, and takes the mark off again" do
    ["=1+1", "+cmd", "-2+3", "@SUM(A1)", "\tx", "'=already", "''-twice", "plain", "it's", "'quoted'", "-30", "+4.5", "",
      nil].each do |cell|
      out = described_class.out(cell)
      expect(out.to_s).not_to match(/\A[=@\t]|\A[-+](?![\d.])/)
      expect(described_class.back(out)).to eq(cell)
    end
    expect(["=1+1", "-30", -3].map { |cell| described_class.out(cell) }).to eq ["'=1+1", "-30", -3]
  end

  it "goes through a catalogue file and back" do
    sheet = Fenbo::Matching::Sheet.of("motors")
    example = {"part_no" => "A-1", "maker" => "=cmd", "family" => "psc", "volts" => [230], "hertz" => [50],
               "phases" => 1, "amps" => [0.4], "poles" => 4}
    cells = sheet.columns.keys.zip(sheet.write(example)).to_h
    expect(cells.values).to include "'=cmd"
    expect(sheet.read(cells).first["maker"]).to eq "=cmd"
  end
end
