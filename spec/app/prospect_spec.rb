# frozen_string_literal: true

require_relative "app_spec_helper"

# Why a test is worth doing, in words.
RSpec.describe Shared::Prospect do
  def prospect(test, *findings)
    answer = Fenbo.call(:diagnose, asked(findings))
    described_class.new(answer.next_tests.find { |row| row.test == test }, answer.verdict)
  end

  def asked(findings)
    {
      "unit" => {
        "family" => "remote_condenser",
        "fans" => %w[condenser-1 condenser-2].map { |one| {"position" => one, "motor" => {"family" => "ec"}} }
      },
      "position" => "condenser-1",
      "context" => {"side" => "condenser"},
      "findings" => findings.map { |one| %w[test outcome].zip(one.split).to_h }
    }
  end

  it "says what a test tells beside a cause that leads whatever comes out" do
    grinds = prospect("condenser_face", "noise grinding", "fan_motion normal")
    expect(grinds.words).to eq "It tells of condenser dirty."
    expect(grinds.answers.map(&:first)).to eq %w[clean dirty blocked]
    expect(grinds.answers.last.last).to match(/\Abearing worn leads, condenser dirty \d+ → \d\d %\z/)
  end

  it "says what a test is about and how often what leads would stay so, and leaves a name's capitals" do
    stands = prospect("spin_by_hand", "fan_motion stopped", "noise silent", "voltage_at_motor in_range")
    expect(stands.words).to match(
      /\AIt tells of bearing seized; EC module failed stays the likeliest in about [34] of 5 cases\.\z/
    )
    expect(stands.answers.map(&:last).join(", ")).to include "EC module failed leads", "bearing seized leads"
  end

  it "speaks of nothing being wrong as of a cause" do
    sound = prospect("airflow", "fan_motion normal", "noise quiet_normal", "condenser_face clean",
      "box_temperature normal")
    expect(sound.words).to match(
      /\AIt tells whether anything is wrong; nothing wrong stays the likeliest in about [45] of 5 cases\.\z/
    )
    expect(sound.answers.first.last).to match(/\Ahealthy leads \d+ → \d+ %\z/)
  end

  it "names what leads once where the test is about just that" do
    expect(prospect("blade_state", "noise scraping").words)
      .to match(/\AIt tells of blade rubbing, which stays the likeliest in about [34] of 5 cases\.\z/)
  end

  it "says nothing where nothing leads" do
    expect(prospect("noise").words).to be_nil
  end
end
