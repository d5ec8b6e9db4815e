# frozen_string_literal: true

require_relative "app_spec_helper"

# What can be decided about a fan, as it is offered.
RSpec.describe Shared::Standing, :made_jobs, :rolled_back do
  def choices(unit: made_unit, fan: "evaporator-1", **entries)
    job = made_job(unit:, **entries)
    described_class.new(job, job.unit.fan(fan)).choices
  end

  it "offers the likeliest first, that nothing is wrong at its own place, and every cause once" do
    sound = choices(findings: [found("noise", "quiet_normal"), found("airflow", "normal", minutes: 2),
      found("fan_motion", "normal", minutes: 3), found("box_temperature", "normal", minutes: 4)])
    expect(sound["By what was found"].first).to eq "healthy"
    loud = choices(findings: [found("noise", "grinding"), found("spin_by_hand", "gritty", minutes: 2)])
    expect(loud["By what was found"].first).to eq "bearing_worn"
    all = Fenbo::Diagnosis::Cause.all.keys + %w[healthy none_of_these]
    [sound, loud].each { |groups| expect(groups.values.flatten).to match_array(all) }
  end

  it "says of a test why it comes now: the first time, because it does not fit, or to be sure" do
    said = ->(*pairs) {
      findings = pairs.each_with_index.map { |pair, index| found(*pair.split, minutes: index + 1) }
      job = made_job(findings:, state: "D", state_at: at(20))
      standing = described_class.new(job, job.unit.fan("evaporator-1"))
      standing.result.next_tests.to_h { |row| [row.test, standing.occasion(row)] }
    }
    expect(said["fan_motion stopped", "noise silent", "spin_by_hand gritty", "winding_ohms open", "shaft_play none",
      "voltage_at_motor in_range"]).to include "spin_by_hand" => "Once more, it does not fit"
    expect(said["shaft_play rocks", "spin_by_hand seized", "noise grinding"])
      .to include "spin_by_hand" => "Once more, to be sure"
    expect(said["noise grinding"].values.uniq).to eq ["Next"]
  end

  it "keeps what a fan like this cannot have apart, by name" do
    groups = choices
    expect(groups["Not expected on a fan like this"]).to include "capacitor_open", "ec_module_failed"
    expect(groups["Possible here too"].to_a).not_to include "capacitor_open"
    psc = made_unit(fans: [made_fan("evaporator-1").with(motors: [made_motor(family: "psc")]), "evaporator-2"])
    expect(choices(unit: psc)["Not expected on a fan like this"]).not_to include "capacitor_open"
    labels = groups["Not expected on a fan like this"].map { |id| Fenbo::Diagnosis::Cause.label(id) }
    expect(labels).to eq labels.sort
  end
end
