# frozen_string_literal: true

RSpec.describe Fenbo::Proof::Driven do
  def volts(*watts, plate: 22)
    steps = [0, 5, 10].zip(watts).filter_map { |at, value| value && {"at" => at, "watts" => value} }
    Fenbo.call(:driven, {"kind" => "volts", "steps" => steps, "plate_watts" => plate})
  end

  def stages(*running, fans: 6)
    steps = running.each_with_index.map { |on, index| {"at" => index + 1, "running" => on} }
    Fenbo.call(:driven, {"kind" => "stages", "steps" => steps, "fans" => fans})
  end

  it "wants a motor still at 0 V, more at 5 and its plate at 10" do
    expect([volts(0.9, 6.2, 21).verdict, volts(0.9, 6.2, 21).steps.map(&:share)]).to eq ["follows", [0.043, 0.295, 1.0]]
    expect(volts(9, 12, 21)).to have_attributes(verdict: "does_not_follow", stands_at: 0)
    expect(volts(1, 21, 21)).to have_attributes(verdict: "does_not_follow", stands_at: 10)
    expect(volts(1, 6, 9).reasons.first).to have_attributes(rule: "watts.window_low", limit: 0.5)
    expect(volts(1, 6, 30).reasons.first).to have_attributes(rule: "watts.window_high", limit: 1.1)
    expect(volts(0.5, 6, 9, plate: nil).verdict).to eq "follows"
    expect(volts(1, nil, 21).reasons.first.text).to include "not driven at 5 V"
  end

  it "wants fans at each stage, and all of them at the last" do
    expect(stages(2, 4, 6).verdict).to eq "follows"
    expect(stages(2, 2, 6)).to have_attributes(verdict: "does_not_follow", stands_at: 2)
    expect(stages(2, 4, 5).reasons.first.text).to eq "5 of 6 fans run at the last stage"
    expect(stages(6).verdict).to eq "incomplete"
  end

  it "names every wrong field" do
    asked = {"kind" => "stages", "steps" => [{"at" => 1, "running" => -1}, {"at" => 1, "running" => 2}], "fans" => 0}
    expect(Fenbo.call(:driven, asked).faults.map(&:field)).to contain_exactly("steps.0.running", "steps", "fans")
  end
end
