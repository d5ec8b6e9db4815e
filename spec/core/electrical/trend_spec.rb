# frozen_string_literal: true

RSpec.describe Fenbo::Electrical::Trend do
  def trend(amps, error: nil, every: 365.25)
    readings = amps.each_with_index.map { |one, index| {"day" => index * every, "amps" => one, "error" => error} }
    Fenbo.call(:trend, {"readings" => readings})
  end

  it "says how much a year amps creep, as a share of the first" do
    expect(trend([0.4, 0.44, 0.48])).to have_attributes(verdict: "rising", share_per_year: 0.1, watch: true)
    expect(trend([0.5, 0.48, 0.46])).to have_attributes(verdict: "falling", share_per_year: -0.04, watch: false)
    expect(trend([0.4, 0.404, 0.4]).verdict).to eq "steady"
  end

  # Three readings a year apart: the slope is off by e / sqrt(2) A a year.
  it "cannot tell where the meters' errors alone can make it" do
    expect(trend([0.4, 0.44, 0.48], error: 0.05)).to have_attributes(verdict: "rising", meters_share: 0.0884)
    unsure = trend([0.4, 0.44, 0.48], error: 0.06)
    expect(unsure).to have_attributes(verdict: "cannot_tell", meters_share: 0.1061, watch: false)
    expect(unsure.reasons.first.text).to include("the meters' errors alone can make (10.6 %)")
  end

  it "waits for enough of them" do
    expect(trend([0.4, 0.6])).to have_attributes(verdict: "too_early", share_per_year: nil, watch: false)
    expect(trend([0.4, 0.5, 0.6], every: 60).verdict).to eq "too_early"
  end

  it "refuses an error below nothing" do
    expect(trend([0.4, 0.5, 0.6],
      error: -1).faults.map(&:field)).to eq %w[readings.0.error readings.1.error readings.2.error]
  end
end
