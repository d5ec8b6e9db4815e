# frozen_string_literal: true

RSpec.describe Fenbo::Refrigerant::Charge do
  def charge(**more)
    Fenbo.call(:charge,
      {"fans" => 3, "fans_running" => 3, "ambient_c" => 24,
       "sight_glass" => "clear"}.merge(more.transform_keys(&:to_s)))
  end

  it "is judged with all fans on, the ambient noted and the glass steady, and only then" do
    expect(charge.verdict).to eq "fair"
    expect(charge(sight_glass: "none").verdict).to eq "fair"
    expect(charge(sight_glass: "empty").verdict).to eq "short"
    expect(charge(fans_running: 2, sight_glass: "empty", ambient_c: nil).waits_for).to eq %w[fans ambient]
    expect(charge(sight_glass: "flashing").reasons.first.text).to include "moment"
    expect(charge(sight_glass: nil).waits_for).to eq ["glass"]
  end

  it "refuses more fans than there are, naming every wrong field" do
    expect(charge(fans_running: 4).faults.map(&:field)).to eq ["fans_running"]
    expect(charge(fans: nil, sight_glass: "blue").faults.map(&:field)).to contain_exactly("fans", "sight_glass")
  end
end
