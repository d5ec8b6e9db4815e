# frozen_string_literal: true

require_relative "app_spec_helper"

# Answers that are kept: the same once more, never one that something else was asked for.
RSpec.describe Shared::Answered, :rolled_back do
  let(:question) { Fenbo::Knowledge.table("examples").fetch("blades") }

  def answer(asked = question) = described_class.of(:blades, asked)

  it "gives the kept answer for the same question read anew, and another for another or by another limit" do
    first = answer
    expect(answer(Marshal.load(Marshal.dump(question)))).to equal first
    expect(first.candidates.map(&:part_no)).to include "BLADE-1"
    cheaper = Marshal.load(Marshal.dump(question)).tap { |one| one["blades"].first["price_cents"] = 1 }
    expect(answer(cheaper)).not_to equal first
    Setting.write("limits", {"blades.smaller" => 0.01})
    expect(answer.candidates.map(&:part_no)).not_to include "BLADE-1"
  end

  it "forgets what was asked longest ago" do
    first = answer
    8.times { |n| answer(question.merge("orifice_mm" => 270 + n)) }
    expect(answer).not_to equal first
    expect(answer).to eq first
  end
end
