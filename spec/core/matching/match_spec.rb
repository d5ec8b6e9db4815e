# frozen_string_literal: true

RSpec.describe Fenbo::Matching::Match do
  old = {"part_no" => "OLD", "family" => "shaded_pole", "volts" => [230], "hertz" => [50], "phases" => 1, "amps" => [0.42], "watts" => 58, "rpm" => 1300,
         "rotation" => "cw", "rotation_view" => "lead_end", "shaft_diameter_mm" => 6.35, "mount" => "ring", "enclosure" => "enclosed", "connector" => "plug"}
  site = {"volts" => 230, "phases" => 1, "hertz" => 50, "ambient_c" => [-25, 10], "wet" => true}
  same = old.merge("part_no" => "SAME", "ambient_low_c" => -40, "ambient_high_c" => 40, "price_cents" => 5000)

  define_method(:match) { |motors, **more| described_class.call({"old" => old, "site" => site, "motors" => Array(motors)}.merge(more.transform_keys(&:to_s))) }
  define_method(:lines) { |change, **more| match([same.merge(change)], **more).then { |result| (result[:candidates].first || result[:rejected].first)[:checks].to_h { |line| [line[:check], line[:result]] } } }

  it "takes the same motor as a drop-in" do
    result = match([same])
    expect(result.verdict).to eq "SAME"
    expect(result[:candidates].first).to include(grade: "drop_in", extra_parts: [], extra_minutes: 0)
  end

  {
    "supply" => [{"volts" => [115]}, "fail"], "load" => [{"amps" => [0.60]}, "fail"], "speed" => [{"rpm" => 1200}, "adapt"], "duty" => [{"enclosure" => "open"}, "fail"],
    "ambient" => [{"ambient_low_c" => -10}, "fail"], "mount" => [{"mount" => "yoke"}, "fail"], "connector" => [{"connector" => "leads"}, "adapt"], "control" => [{"control" => "pwm"}, "adapt"]
  }.each do |check, (change, result)|
    it("#{result}s on #{check}") { expect(lines(change)[check]).to eq result }
  end

  it "keeps the load's window inclusive and uses the healthy amps where known" do
    expect([0.56, 0.3819].map { |amps| lines({"amps" => [amps]})["load"] }).to eq %w[pass pass] # 0.75 and 1.0998
    expect(lines({"amps" => [0.57]})["load"]).to eq "fail"
    expect(lines({"amps" => [0.57]}, healthy_amps: 0.44)["load"]).to eq "pass"
  end

  it "compares rotation in one view and turns back to itself when turned twice" do
    expect(lines({"rotation" => "ccw", "rotation_view" => "shaft_end"})["rotation"]).to eq "pass"
    expect(lines({"rotation" => "cw", "rotation_view" => "shaft_end"})["rotation"]).to eq "fail"
    expect(lines({"rotation" => "reversible"})["rotation"]).to eq "pass"
    twice = Fenbo::Matching::Rotation.canonical(Fenbo::Matching::Rotation.canonical("cw", "lead_end"), "lead_end")
    expect(twice).to eq "cw"
  end

  it "wants the shaft in the bore, a bushing where it is thinner, nothing where it is thicker" do
    expect([6.38, 5.0, 8.0].map { |mm| lines({"shaft_diameter_mm" => mm}, blade: {"bore_mm" => 6.35})["shaft"] }).to eq %w[pass adapt fail]
  end

  it "compares shaft output across families and lets only marked motors near flammables" do
    ec = {"family" => "ec", "amps" => [], "watts" => 20, "control" => "program"} # 14 W for 11.6 W
    expect(lines(ec)["load"]).to eq "pass"
    expect(lines(ec.merge("watts" => 30))["load"]).to eq "fail"
    expect(lines({}, site: site.merge("flammable" => true))["refrigerant"]).to eq "fail"
  end

  it "asks the fit solver with each candidate's own shaft, where the place was measured" do
    # 46 mm to the guard: a shaft of 40 mm just clears it; two spacers of 2 mm bring 44 mm clear.
    place = {"h" => 14, "b_m" => 4, "b_f" => 18, "m" => 0, "G" => 46, "O" => nil, "t" => 2, "n_max" => 2, "key" => nil, "old_seat" => nil}
    of = ->(mm, fit = place) { match([same.merge("shaft_length_mm" => mm)], fit:).then { |result| result[:candidates].first || result[:rejected].first } }
    line = ->(mm) { of[mm][:checks].find { |one| one[:check] == "fit" } }
    expect([40, 40.1, 44, 44.1, nil].map { |mm| line[mm][:result] }).to eq %w[pass adapt adapt fail adapt]
    expect(of[44]).to include(extra_parts: ["2 spacers"], extra_minutes: 10)
    expect(line[48.2][:reason]).to include "4.2 mm too long for the guard"
    expect(match([same], fit: place.merge("h" => 0, "b_m" => nil)).faults.map(&:field)).to contain_exactly("fit.h", "fit.b_m")
  end

  it "ranks without regard to the order of rows and tells why the rest were rejected" do
    rows = [same, same.merge("part_no" => "CHEAP", "price_cents" => 4000), same.merge("part_no" => "LEADS", "connector" => "leads", "price_cents" => 100), same.merge("part_no" => "NO", "volts" => [115])]
    order = match(rows)[:candidates].map { |one| one[:part_no] }
    expect(order).to eq %w[CHEAP SAME LEADS]
    expect(match(rows.reverse)[:candidates].map { |one| one[:part_no] }).to eq order
    expect(match(rows)[:rejected]).to eq [{part_no: "NO", checks: [{check: "supply", result: "fail", reason: "115 V, the site has 230 V"}]}]
  end
end
