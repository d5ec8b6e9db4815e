# frozen_string_literal: true

RSpec.describe Fenbo::LimitSense do
  def faults(**own)
    described_class.new(own.transform_keys { |name| name.to_s.tr("/", ".") }).faults
  end

  it "takes what makes sense, also both ends moved past each other's defaults" do
    expect(faults("amps.window_low": 0.8, "bank.alike": 0.2)).to be_empty
    expect(faults("amps.window_low": 1.2, "amps.window_high": 1.4)).to be_empty
    expect(faults("sound.silent_dbfs": -70)).to be_empty
  end

  it "refuses low above high, at the one that was moved" do
    expect(faults("amps.window_low": 1.4)).to match("amps.window_low" => /at most 1.1/)
    expect(faults("amps.window_high": 0.5)).to match("amps.window_high" => /at least 0.75/)
    expect(faults("balance.volts_watch": 6)).to match("balance.volts_watch" => /at most 5/)
  end

  it "refuses what no figure of its kind can be" do
    expect(faults("fit.tolerance": -1)).to match("fit.tolerance" => /below nothing/)
    expect(faults("amps.most_turns": 2.5)).to match("amps.most_turns" => /whole/)
    expect(faults("match.supply_tolerance": 1.5)).to match("match.supply_tolerance" => /more than 1/)
    expect(faults("experience.most_factor": 0)).to match("experience.most_factor" => /above nothing/)
  end

  it "finds the trade's own limits in order" do
    names = Fenbo::Knowledge.table("limit_order").flatten
    expect(names - Fenbo::Limits.entries.keys).to be_empty
    own = names.uniq.to_h { |name| [name, Fenbo::Limits.default[name]] }
    expect(described_class.new(own).faults).to be_empty
  end
end
