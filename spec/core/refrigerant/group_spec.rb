# frozen_string_literal: true

RSpec.describe Fenbo::Refrigerant::Group do
  {
    "R-290" => ["R-290", "A3"], "propane" => ["R-290", "A3"], "r600a" => %w[R-600a A3], "R 600 a" => %w[R-600a A3],
    "Isobutane" => %w[R-600a A3], "R-600a (isobutane)" => %w[R-600a A3], "R1270" => %w[R-1270 A3],
    "r32" => %w[R-32 A2L], "R-454B" => %w[R-454B A2L], "R-452B" => %w[R-452B A2L], "r-1234yf" => %w[R-1234yf A2L],
    "R-1234ze(E)" => %w[R-1234ze A2L], "404a" => %w[R-404A A1], "R448A" => %w[R-448A A1], "CO2" => %w[R-744 A1],
    "NH3" => %w[R-717 B2L], "R-152a" => %w[R-152a A2]
  }.each do |typed, (name, safety)|
    it "knows #{typed}" do
      expect(described_class.of(typed)).to have_attributes(name:, safety:, flammable?: safety != "A1")
    end
  end

  it "makes nothing up: what it does not know is flammable until somebody answers" do
    ["R-999", "water", "R-13", "29", "", nil, "x" * 10_000].each { |typed| expect(described_class.of(typed)).to be_nil }
    expect(described_class.flammable?("R-999")).to be true
    expect(described_class.flammable?("R-999", answered: false)).to be false
    expect(described_class.flammable?("")).to be true
    expect(described_class.flammable?("R-290", answered: false)).to be true
  end

  it "gives each refrigerant one group" do
    table = Fenbo::Knowledge.table("refrigerants")
    names = table["known"].values.flatten
    expect(names.uniq).to eq names
    expect(table["also"].keys - names).to be_empty
  end
end
