# frozen_string_literal: true

RSpec.describe Fenbo::Diagnosis::Ledger do
  def case_file(*lines)
    Fenbo::Diagnosis::CaseFile.read(
      Fenbo::Input.new(
        {
          "unit" => {
            "family" => "walk_in_cooler",
            "fans" => [{"position" => "evaporator-1", "motor" => {"family" => "psc"}}]
          },
          "position" => "evaporator-1",
          "findings" => lines.map { |line| %w[test outcome].zip(line.split).to_h }
        }
      )
    )
  end

  def posterior(file)
    Fenbo::Diagnosis::Posterior.of(file, Fenbo::Diagnosis::Model.for(file.equipment))
  end

  let(:lines) { ["fan_motion stopped", "noise silent", "spin_by_hand gritty", "winding_ohms open"] }
  let(:cause) { Fenbo::Diagnosis::Cause["winding_open"] }

  it "gives each finding the factor by which it changed the odds, all others kept" do
    odds = ->(chance) { chance / (1 - chance) }
    full = posterior(case_file(*lines)).causes[cause]
    entries = described_class.new(posterior(case_file(*lines)), Fenbo::Limits.default).of(cause)
      .to_h { |entry| [entry.test.id, entry.factor] }
    lines.each do |line|
      without = posterior(case_file(*(lines - [line]))).causes[cause]
      # Sets of three that only matter without the finding are not weighed again.
      expect(entries[line.split.first]).to be_within(10).percent_of(odds[full] / odds[without])
    end
  end

  it "says in words whether a finding speaks for or against, and puts the weightiest first" do
    entries = described_class.new(posterior(case_file(*lines)), Fenbo::Limits.default).of(cause)
    expect(entries.first.finding.test_id).to eq "winding_ohms"
    expect(entries.first.strength).to eq "strongly for"
    expect(entries.find { |entry| entry.test.id == "spin_by_hand" }.strength).to end_with "against"
  end
end
