# frozen_string_literal: true

RSpec.describe Fenbo::Limits do
  it "knows each limit with its unit, its words and where it is from" do
    expect(described_class.default["amps.window_low"]).to eq 0.75
    described_class.entries.each_key do |name|
      expect(
        [described_class.default.unit(name), described_class.default.text(name), described_class.default.source(name)]
      ).to all(be_a(String)),
        name
    end
  end

  it "lays a shop's figures over the trade's without touching them" do
    own = described_class.default.with("amps.window_low" => 0.8)
    expect([own["amps.window_low"], own.source("amps.window_low"), own["amps.window_high"]]).to eq [0.8, "shop", 1.10]
    expect(described_class.default["amps.window_low"]).to eq 0.75
    expect { described_class.default.with("amps.window_lower" => 1) }.to raise_error(ArgumentError, /amps.window_lower/)
  end
end
