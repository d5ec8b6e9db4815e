# frozen_string_literal: true

require_relative "app_spec_helper"

# The options of a quote, line by line, from what was found and decided.
RSpec.describe Stations::Source::QuoteBuilder, :made_jobs, :rolled_back do
  let(:words) { Shared::Voice.new(Struct.new(:unit_system).new("si")) }
  let(:amps) do
    {"motor" => {"family" => "shaded_pole", "nameplate_amps" => 0.43, "nameplate_volts" => 230, "turning" => true},
     "reading" => {"amps" => [0.8], "volts" => [230]}}
  end

  def offer(*lines)
    {"kind" => "van", "lines" => lines.map { |what, cents| {"what" => what, "cents" => cents} }}
  end

  def builder(discount_percent: 0, **entries)
    described_class.new(made_job(**entries), words:, clock: nil, discount_percent:)
  end

  # Option => what it asks for, in cents by line.
  def lines(**entries)
    builder(**entries).options.to_h { |one| [one["id"], one["lines"].to_h { |line| [line["what"], line["cents"]] }] }
  end

  it "asks for nothing where nothing was worked on" do
    expect(builder.options).to eq []
    expect(builder.verdict).to be_nil
    expect(lines(decisions: [decided("mount_loose", action: "wait")])).to eq({})
  end

  it "says of each fault what speaks for that one, the loudest first" do
    told = builder(decisions: [decided("blade_iced", action: "repair"), decided("defrost_failed", fault: "unit.1")],
      findings: [found("noise", "hum_not_turning"), found("blade_state", "iced"),
        found("forced_defrost", "no_heat", fan: nil), found("door_seal", "good", fan: nil)]).options.first["lines"]
    why = told.to_h { |line| [line["place"], line["evidence"].to_s] }
    expect(why["Evaporator fan 1"]).to start_with "Blade held by ice; blade state: iced"
    expect(why["The unit"]).to match(/\ADefrost failed; forced defrost: no heat/)
    expect(why.values.join).not_to include "door seal"
  end

  it "takes the hours of what is done in one opening once, and of each fan by itself" do
    rate = Setting.read("rate_per_hour_cents") / 60.0
    two = ->(fault) { [decided("bearing_worn"), decided("connection_burnt", fault:, action: "repair")] }
    cents = ->(**entries) { builder(**entries).options.first["lines"].map { |line| line["cents"] } }
    minutes = ->(*also, task: "evaporator_fan_motor") {
      Fenbo.call(:procedure, {"family" => "walk_in_cooler", "task" => task, "also" => also, "side" => "evaporator",
                              "features" => {"wet" => true}}).minutes
    }
    motor, both, plug = minutes[], minutes["connector"], minutes[task: "connector"]
    expect(both).to be < motor + plug
    expect(cents[decisions: two["evaporator-1.2"]]).to eq [(rate * motor).round, (rate * (both - motor)).round]
    expect(cents[decisions: two["evaporator-2.1"]]).to eq [(rate * motor).round, (rate * plug).round]
    expect(cents[decisions: [decided("bearing_worn", "evaporator_dirty")]]).to eq [(rate * minutes["cleaning"]).round]
    spare = Fenbo::JobFile::CatalogueSpare.new(part_no: "CN-2", kind: "connector", columns: {})
    choices = [chosen(offer: offer(["parts", 8000], ["labour", 6000])),
      chosen(fault: "evaporator-1.2", motor: nil, spare:, offer: offer(["parts", 900], ["labour", 3000]))]
    expect(cents[decisions: two["evaporator-1.2"], part_choices: choices])
      .to eq [8000, 6000, 900, (3000.0 * (both - motor) / plug).round]
  end

  it "tells what another instrument said, too" do
    told = builder(decisions: [decided("winding_open")], readings: [asked("amps", amps)],
      part_choices: [chosen(offer: offer(["parts", 8000]))],
      findings: [found("winding_ohms", "open", reading: "windings 1"), found("spin_by_hand", "free")])
    expect(told.options.first["lines"].first["evidence"]).to include "winding resistance: open"
  end

  it "asks for what was offered, with its part by number and why" do
    told = builder(decisions: [decided("bearing_worn")],
      findings: [found("noise", "grinding"), found("amps", "over", reading: "amps 1")],
      readings: [asked("amps", amps)],
      part_choices: [chosen(offer: offer(["parts", 8000], ["labour", 6500], ["travel", 2000]))]).options
    expect(told.map { |one| one["id"] }).to eq ["good"]
    part, labour, travel = told.first["lines"]
    expect(part).to include("what" => "motor BR-S12-230-L", "cents" => 8000, "kind" => "parts",
      "place" => "Evaporator fan 1")
    expect(part["evidence"]).to match(/\ABearing worn; .*over.*; noise: grinds\z/)
    expect([labour, travel].map { |line| line.values_at("kind", "evidence") }).to eq [["labour", nil], ["labour", nil]]
    expect(told.first["net_cents"]).to eq 16_500
  end

  it "names what is bought besides, and calls a second trip labour" do
    parts = ["run capacitor 5 µF, new: it costs little beside the trip", "2 spacers"]
    told = builder(decisions: [decided("bearing_worn")],
      part_choices: [chosen(beside: {"parts" => parts}, offer: offer(["besides", 900], ["second trip", 3000]))]).options
    expect(told.first["lines"].map { |line| line.values_at("what", "kind") })
      .to eq [[parts.join(", "), "parts"], ["second trip", "labour"]]
  end

  it "asks for its labour alone where a fault wants no part" do
    told = lines(decisions: [decided("connection_burnt", action: "repair")])
    rate = Setting.read("rate_per_hour_cents")
    minutes = Fenbo::WorkPlan::Progress.of(made_job(decisions: [decided("connection_burnt", action: "repair")])).minutes
    expect(told["good"].values).to eq [(rate * minutes / 60.0).round]
    expect(told["good"].keys.join).not_to include "not chosen"
  end

  it "says that a part is still to be chosen, where it asks for the work alone" do
    told = lines(decisions: [decided("bearing_worn")])
    expect(told["good"].keys).to eq ["motor, the work alone: its part is not chosen yet"]
  end

  it "names what bridges the time" do
    way = offer(["parts", 8000], ["stopgap", 4800]).merge("stopgap" => "ice")
    told = lines(decisions: [decided("bearing_worn")], part_choices: [chosen(offer: way)])
    expect(told["good"]).to eq("motor BR-S12-230-L" => 8000, "dry ice or ice packs over the product" => 4800)
  end

  it "asks for what is mended by hand the time that takes, not a motor's" do
    told = lines(decisions: [decided("blade_iced", action: "repair")])
    minutes = Fenbo::Diagnosis::Cause["blade_iced"].minutes
    expect(told["good"]).to eq(
      "warm the ice off and find where the moist air comes from" =>
        (Setting.read("rate_per_hour_cents") * minutes / 60.0).round
    )
  end

  it "makes a second trip once for all faults, the dearer" do
    two = lines(
      decisions: [decided("bearing_worn"), decided("winding_open", fault: "evaporator-2.1")],
      part_choices: [
        chosen(offer: offer(["parts", 8000], ["second trip", 3000])),
        chosen(fault: "evaporator-2.1", motor: made_part("KA-E16-230"),
          offer: offer(["parts", 9000], ["second trip", 4500]))
      ]
    )
    expect(two["good"]).to eq("motor BR-S12-230-L" => 8000, "motor KA-E16-230" => 9000, "second trip" => 4500)
  end

  it "leaves cleaning to the better option, and out where it adds nothing" do
    dirty = decided("evaporator_dirty", fault: "unit.1", action: "clean")
    told = lines(decisions: [decided("bearing_worn"), dirty], part_choices: [chosen(offer: offer(["parts", 8000]))])
    expect(told.transform_values(&:keys)).to eq "good" => ["motor BR-S12-230-L"],
      "better" => ["motor BR-S12-230-L", "cleaning"]
    expect(lines(decisions: [dirty]).keys).to eq ["better"]
  end

  it "takes neighbours along: those that had better go now as better, the others as best" do
    heard = ->(outcome) {
      lines(decisions: [decided("bearing_worn")], findings: [found("noise", outcome, fan: "evaporator-2")],
        part_choices: [chosen(motor: made_part(price_cents: 8000), offer: offer(["parts", 8000]))])
    }
    loud, quiet = heard["grinding"], heard["quiet_normal"]
    expect([loud, quiet].map { |told| told.keys.last }).to all be_in(%w[better best])
    expect(loud.values.last.keys).to include "motor, changed on the same visit"
    expect(quiet.keys).to include "best"
  end

  it "offers a motor that takes less last, with when it is paid, and takes the discount off" do
    upgrade = {"part_no" => "BR-E12-230", "extra_cents" => 4200, "saved_cents" => 7000, "saved_kwh" => 250,
               "payback_years" => 0.6}
    entries = {decisions: [decided("bearing_worn")],
               part_choices: [chosen(offer: offer(["parts", 10_000]), beside: {"upgrade" => upgrade})]}
    best = builder(discount_percent: 10, **entries).options.last
    expect(best["lines"].last).to include("cents" => 4200, "evidence" => include("paid back in 0.6 years"))
    expect([best["id"], best["discount_cents"], best["net_cents"]]).to eq ["best", 1420, 12_780]
  end

  it "asks for nothing twice that a failed repair was asked for" do
    failed = disproved(decided("mount_loose", action: "repair"))
    told = lines(decisions: [failed, decided("bearing_worn", fault: "evaporator-1.2")],
      part_choices: [chosen(fault: "evaporator-1.2", offer: offer(["parts", 8000]))])
    expect(told["good"].keys).to eq ["motor BR-S12-230-L"]
  end
end
