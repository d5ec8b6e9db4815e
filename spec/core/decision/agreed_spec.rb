# frozen_string_literal: true

require "spec_helper"

# What a customer agreed to beyond what is wrong, until it is on the job.
RSpec.describe Fenbo::Decision::Agreed, :made_jobs do
  def line(what, place, cents = 40_000)
    {"what" => what, "kind" => "parts", "cents" => cents, "place" => place}
  end

  let(:good) { [line("motor A", "Evaporator fan 1"), line("labour", "Evaporator fan 1", 9_000)] }
  let(:best) do
    [*good, line("motor, changed on the same visit", "Evaporator fan 2"),
      line("motor E-12 instead, which takes less", "Evaporator fan 1", 4_200)]
  end
  let(:seized) { decided("bearing_seized") }

  def left(option, decisions: [seized], **more)
    answers = option.nil? ? [] : [Fenbo::JobFile::QuoteAnswer.new(uid: "said", verdict: "approved", option:,
      name: "Odile", how: "told", at: at(30), net_cents: 1)]
    quote = Fenbo::JobFile::Quote.new(uid: "quote", version: 1, by: person, made_at: at(20), tax_percent: 20.0,
      answers:, options: [{"id" => "good", "lines" => good}, {"id" => "best", "lines" => best}])
    described_class.new(made_job(quotes: [quote], decisions:, **more)).open
  end

  it "holds the neighbour's motor and the one that takes less, of the option that was agreed to" do
    expect(left("best").map { |one| [one.fan, one.neighbour?, one.by, one.cents] }).to eq [
      ["evaporator-2", true, "Odile", 40_000], ["evaporator-1", false, "Odile", 4_200]
    ]
    expect([left("good"), left(nil)]).to eq [[], []]
  end

  it "is decided as what leads at the neighbour where a motor mends that, else as sound" do
    line = left("best").first
    expect(%w[bearing_worn condenser_dirty undetermined healthy].map { |verdict| line.cause(verdict) })
      .to eq %w[bearing_worn healthy healthy healthy]
  end

  it "ends with a motor decided for that fan, and with the motor chosen" do
    along = [seized, decided("healthy", fault: "evaporator-2.1")]
    expect(left("best", decisions: along).map(&:part_no)).to eq ["E-12"]
    expect(along.map(&:label)).to eq ["Bearing seized", "Sound, changed on the same visit"]
    # To watch it is not to change it.
    watched = [seized, decided("bearing_worn", fault: "evaporator-2.1", action: "wait")]
    expect(left("best", decisions: watched).map(&:fan)).to eq %w[evaporator-2 evaporator-1]
    motor = made_motor(part_no: "E-12")
    expect(left("best", decisions: along, part_choices: [chosen(motor:)])).to eq []
  end
end
