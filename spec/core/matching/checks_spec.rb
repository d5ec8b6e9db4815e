# frozen_string_literal: true

# Each check by itself: one thing about the candidate changed at a time.
RSpec.describe Fenbo::Matching::Checks do
  base = {
    "part_no" => "OLD", "family" => "psc", "volts" => [230], "hertz" => [50], "phases" => 1, "amps" => [1.0],
    "watts" => 200, "rpm" => 1400, "poles" => 4, "rotation" => "cw", "rotation_view" => "shaft_end",
    "shaft_diameter_mm" => 12.7, "shaft_form" => "flat", "mount" => "stud", "bolt_circle_mm" => 140,
    "enclosure" => "enclosed", "connector" => "plug", "control" => "none", "ambient_low_c" => -30,
    "ambient_high_c" => 40
  }.freeze
  site = {"volts" => 230, "phases" => 1, "hertz" => 50, "ambient_c" => [-20, 30], "wet" => false}.freeze
  kit = {"kit_contents" => "motor; blade; plate"}
  accessories = [
    {"part_no" => "BU", "kind" => "bushing", "from_mm" => 9.5, "to_mm" => 12.7},
    {"part_no" => "BR", "kind" => "bracket", "mount_from" => "ring", "mount_to" => "stud", "bolt_circle_mm" => 140}
  ].freeze

  define_method(:line) do |check, candidate = {}, old: {}, place: {}, **more|
    asked = {
      "old" => base.merge(old), "site" => site.merge(place), "accessories" => accessories,
      "motors" => [base.merge("part_no" => "NEW", **candidate)]
    }.merge(more.transform_keys(&:to_s))
    limits = Fenbo::Limits.default
    match = Fenbo::Matching::Match.new(Fenbo::Matching::Match.read(Fenbo::Input.new(asked), limits), limits)
    described_class.const_get(check).new(match.context(match.question.motors.first)).line
  end

  [
    # check, what the candidate is, what else is asked, result, words of the reason
    [:Supply, {}, {}, "pass", "230 V"],
    [:Supply, {"volts" => [115]}, {}, "fail", "115 V"],
    [:Supply, {"volts" => [208, 240]}, {}, "pass", "set it before energising"],
    [:Supply, {"phases" => 3}, {}, "fail", "3 phases"],
    [:Supply, {"hertz" => [60]}, {}, "fail", "60 Hz"],
    [:Supply, {"volts" => []}, {}, "adapt", "not known"],
    [:Load, {"amps" => [1.0]}, {}, "pass", "window"],
    [:Load, {"amps" => [0.9]}, {}, "fail", "window"],
    [:Load, {"amps" => [1.4]}, {}, "fail", "window"],
    [:Load, {"amps" => [0.7]}, {healthy_amps: 0.6}, "pass", "0.6 A"],
    [:Load, {"amps" => []}, {}, "adapt", "not known"],
    [:Load, {"family" => "ec", "watts" => 165, "amps" => [0.9]}, {}, "pass", "at the shaft"],
    [:Load, {"family" => "ec", "watts" => 40, "amps" => [0.4]}, {}, "fail", "at the shaft"],
    [:Speed, {}, {}, "pass", "1400 rpm"],
    [:Speed, {"rpm" => 1530}, {}, "adapt", "air 109 %"],
    [:Speed, {"rpm" => 1000}, {}, "fail", "would not suit"],
    [:Speed, {"rpm" => 1000, **kit}, {}, "adapt", "its own blade"],
    [:Speed, {"poles" => 6, "rpm" => 1400}, {}, "fail", "6 poles for 4"],
    [:Speed, {"rpm" => nil}, {}, "pass", "4 poles"],
    [:Blade, {"kit_contents" => "motor; blade 250 mm; ties"}, {blade: {"diameter_mm" => 254}}, "pass",
      "250 mm for 254"],
    [:Blade, {"kit_contents" => "blade 9 in"}, {blade: {"diameter_mm" => 254}}, "adapt", "73 % of the air"],
    [:Blade, {"kit_contents" => "blade 9 in", "rpm" => 1700}, {blade: {"diameter_mm" => 254}}, "pass", "229 mm"],
    [:Blade, {"kit_contents" => "blade 154 mm, plate"}, {blade: {"diameter_mm" => 254}}, "fail", "22 % of the air"],
    [:Rotation, {}, {}, "pass", "as the old one"],
    [:Rotation, {"rotation" => "ccw"}, {}, "fail", "the other way"],
    [:Rotation, {"rotation" => "cw", "rotation_view" => "lead_end"}, {}, "fail", "the other way"],
    [:Rotation, {"rotation" => "reversible"}, {}, "pass", "set it clockwise"],
    [:Rotation, {"rotation" => "ccw", **kit}, {}, "adapt", "its own blade"],
    [:Rotation, {"rotation" => "ccw", "mount" => "c_frame"}, {}, "adapt", "turn it round in its frame"],
    [:Rotation, {}, {old: {"rotation" => nil}}, "adapt", "note it before you buy"],
    [:Rotation, {}, {old: {"rotation" => "reversible"}}, "adapt", "note it before you buy"],
    [:Rotation, {"rotation" => "reversible"}, {old: {"rotation" => nil}}, "pass", "noted neither on the old motor"],
    [:Rotation, {}, {old: {"rotation" => "reversible"}, blade: {"rotation" => "cw", "air" => "away_from_motor"}},
      "pass", "as the old blade"],
    [:Duty, {"enclosure" => "potted"}, {}, "pass", "potted"],
    [:Duty, {"enclosure" => "open"}, {}, "fail", "the old one was enclosed"],
    [:Duty, {"enclosure" => "open"}, {old: {"enclosure" => nil}, place: {"wet" => true}}, "fail", "wet or washed"],
    [:Duty, {"enclosure" => "open_air_over"}, {place: {"belt" => true}}, "fail", "no blade cools it"],
    [:Ambient, {}, {}, "pass", "−30 to 40"],
    [:Ambient, {"ambient_low_c" => -10}, {}, "fail", "−10 to 40"],
    [:Ambient, {"ambient_high_c" => nil}, {}, "adapt", "not known"],
    [:Refrigerant, {}, {place: {"flammable" => true}}, "fail", "not marked"],
    [:Refrigerant, {"flammable_ok" => true}, {place: {"flammable" => true}}, "pass", "marked"],
    [:Mount, {}, {}, "pass", "bolt circle"],
    [:Mount, {"mount" => "ring"}, {}, "adapt", "bracket BR"],
    [:Mount, {"mount" => "belly_band"}, {}, "fail", "belly band for stud"],
    [:Mount, {"mount" => "belly_band", **kit}, {}, "adapt", "the kit brings its plate"],
    [:Mount, {"bolt_circle_mm" => 150}, {}, "fail", "bolt circle 150"],
    [:Shaft, {}, {}, "pass", "12.7 mm shaft"],
    [:Shaft, {"shaft_diameter_mm" => 9.5}, {}, "adapt", "bushing BU"],
    [:Shaft, {"shaft_diameter_mm" => 8.0}, {}, "fail", "no bushing"],
    [:Shaft, {"shaft_diameter_mm" => 14.0}, {}, "fail", "too thick"],
    [:Shaft, {"shaft_form" => "round"}, {}, "fail", "round shaft"],
    [:Shaft, {"shaft_diameter_mm" => 8.0, "integral_blade" => true}, {}, "pass", "its own blade"],
    [:Integral, {}, {old: {"integral_blade" => true}}, "fail", "goes with the old motor"],
    [:Integral, {"integral_blade" => true}, {old: {"integral_blade" => true}}, "pass", "whole assembly"],
    [:Integral, kit, {old: {"integral_blade" => true}}, "adapt", "its own blade"],
    [:Connector, {}, {}, "pass", "same plug"],
    [:Connector, {"connector" => "leads"}, {}, "adapt", "sealed crimps"],
    [:Connector, {"connector" => "leads"}, {place: {"ambient_c" => [5, 30]}}, "adapt", ": crimps"],
    [:Control, {"control" => "pwm"}, {old: {"control" => "0_10v"}}, "fail", "0–10 V circuit"],
    [:Control, {"control" => "program"}, {old: {"control" => "0_10v"}}, "pass", "programmable"],
    [:Control, {"control" => "0_10v"}, {}, "adapt", "full speed"],
    [:Available, {"discontinued" => true, "superseded_by" => "NEXT"}, {}, "fail", "NEXT took its place"]
  ].each do |check, candidate, more, result, words|
    said = candidate.merge(more.slice(:old, :place).values.reduce({}, :merge)).map { |pair| pair.join(" ") }.join(", ")
    it "#{check.to_s.downcase}: #{result} for #{said.empty? ? "the same" : said}" do
      found = line(check, candidate, **more)
      expect(found).to have_attributes(result:)
      expect(found.reason).to include words
    end
  end

  it "has nothing to say where nothing is asked" do
    expect(line(:Ambient, {}, place: {"ambient_c" => nil})).to be_nil
    expect(line(:Connector, {"connector" => nil})).to be_nil
    expect(line(:Control)).to be_nil
    expect(line(:Available)).to be_nil
    expect(line(:Fit)).to be_nil
    expect(line(:Integral)).to be_nil
    expect(line(:Blade, kit, blade: {"diameter_mm" => 254})).to be_nil
    expect(line(:Blade, {"kit_contents" => "motor; blade 230 mm"})).to be_nil
  end

  it "names what a three-phase motor asks of its starter" do
    three = {"family" => "three_phase", "phases" => 3, "horsepower" => 0.5, "watts" => nil}
    asked = ->(amps, **place) {
      line(:Load, three.merge("amps" => [amps]), old: three, place: {"phases" => 3, **place.transform_keys(&:to_s)})
    }
    expect(asked[1.0, overload_amps: [0.6, 1.2],
      contactor_amps: 9]).to have_attributes(result: "pass", setting: /overload/)
    expect(asked[1.3, overload_amps: [0.6, 1.2],
      contactor_amps: 9]).to have_attributes(result: "fail", reason: /overload sets 0.6 to 1.2 A/)
    expect(asked[9.5, contactor_amps: 9]).to have_attributes(result: "fail", reason: /contactor carries 9/)
  end

  it "judges shaft length only where the place was measured" do
    fit = Fenbo::Tools.entry("fit").example.except("L")
    expect(line(:Fit, {"shaft_length_mm" => nil}, fit:)).to have_attributes(result: "adapt", reason: /not known/)
    expect(line(:Fit, {"shaft_length_mm" => 4}, fit:)).to have_attributes(result: "fail")
    expect(line(:Fit, kit, fit:)).to have_attributes(result: "adapt", reason: /its own blade/)
  end
end
