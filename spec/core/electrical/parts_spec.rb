# frozen_string_literal: true

# The small parts by themselves that every verdict of a meter rests on.
RSpec.describe Fenbo::Electrical do
  Fenbo::Limits.default

  describe Fenbo::Electrical::Window do
    window = described_class.new(low: 0.9, high: 1.38, none: 0.06, locked: 3.0)

    {
      0.0 => "none", 0.0599 => "none", 0.06 => "under", 0.899 => "under", 0.9 => "within", 0.9 - 1e-12 => "within",
      1.38 => "within", 1.38 + 1e-12 => "within", 1.3801 => "over", 2.999 => "over", 3.0 => "locked", 9 => "locked"
    }.each { |value, verdict| it("calls #{value} #{verdict}") { expect(window.verdict(value)).to eq verdict } }

    it "has one verdict for a span that crosses no line, none for one that does" do
      expect(window.verdict_of_span(1.1, 0.2)).to eq "within"
      expect(window.verdict_of_span(1.3, 0.1)).to be_nil
      expect(described_class.new(low: 1, high: 2, none: 0.1).verdict(50)).to eq "over"
    end
  end

  describe Fenbo::Electrical::Meter do
    meter = described_class.new(percent: 2.0, counts: 5, resolution: 0.01)

    it "shrinks the counts' part of its error with the turns, not the percent's" do
      expect(meter.error(1.0, 1)).to be_within(1e-12).of(0.07)
      expect(meter.error(1.0, 10)).to be_within(1e-12).of(0.025)
      expect(meter.error(0.0, 5)).to be_within(1e-12).of(0.01)
    end

    it "is exact only without percent and without counts that are worth something" do
      expect(described_class.new).to be_exact
      expect(described_class.new(counts: 3)).to be_exact
      expect(meter).not_to be_exact
    end
  end

  describe Fenbo::Electrical::Leg do
    window = Fenbo::Electrical::Window.new(low: 0.9, high: 1.38, none: 0.06)

    def judge(display, turns, window)
      meter = Fenbo::Electrical::Meter.new(percent: 2.0, counts: 10, resolution: 0.01)
      described_class.judge(display, turns:, meter:, nameplate: 1.2, window:, most_turns: 10)
    end

    it "divides by the turns and says how many would settle what cannot be told" do
      leg = judge(1.0, 1, window)
      expect(leg).to have_attributes(verdict: "cannot_tell", amps: 1.0, turns_needed: 2)
      expect(judge(1.0 * leg.turns_needed, leg.turns_needed, window)).to have_attributes(verdict: "within")
    end

    it "names no number of turns where none would do" do
      expect(judge(0.9, 1, window)).to have_attributes(verdict: "cannot_tell", turns_needed: nil)
    end
  end

  describe Fenbo::Electrical::WindingPattern do
    def pattern(kind, ohms)
      open = ohms.select { |_, value| value == "open" }.keys.map(&:to_s)
      read = ohms.to_h { |pair, value| [pair.to_s, (value unless value == "open")] }
      Fenbo.call(:windings, {"kind" => kind, "ohms" => read, "open" => open}).verdict
    end

    {
      ["three_phase", {ab: 12.0, bc: 12.1, ca: 11.9}] => "sound",
      ["three_phase", {ab: 12.0, bc: 12.8, ca: 12.0}] => "watch",
      ["three_phase", {ab: 24.0, bc: 12.0, ca: 12.0}] => "open_winding",
      ["three_phase", {ab: 6.0, bc: 12.0, ca: 12.0}] => "shorted_turns",
      ["three_phase", {ab: 10.0, bc: 14.0, ca: 18.0}] => "unbalanced",
      ["psc", {cr: 18.0, cs: 42.0, rs: 60.0}] => "sound",
      ["psc", {cr: 42.0, cs: 18.0, rs: 60.0}] => "watch",
      ["psc", {cr: 18.0, cs: 42.0, rs: 75.0}] => "unbalanced",
      ["psc", {cr: "open", cs: "open", rs: 60.0}] => "open_protector",
      ["psc", {cr: "open", cs: 42.0, rs: "open"}] => "open_winding",
      ["psc", {cr: 18.0, cs: "open", rs: 60.0}] => "incomplete",
      ["shaded_pole", {ab: 30.0}] => "sound",
      ["shaded_pole", {ab: "open"}] => "open_winding",
      ["shaded_pole", {ab: 0.0}] => "shorted_turns"
    }.each do |(kind, ohms), verdict|
      it("reads #{kind} #{ohms.values.join(" · ")} as #{verdict}") { expect(pattern(kind, ohms)).to eq verdict }
    end

    it "does not mind how the pairs are turned" do
      %w[ab bc ca].permutation.each do |names|
        expect(pattern("three_phase", names.zip([6.0, 12.0, 12.1]).to_h)).to eq "shorted_turns"
      end
    end
  end

  describe Fenbo::Electrical::Supply do
    def supply(volts, plate: 230)
      described_class.new(volts:, nameplate_volts: plate, tolerance: limits["amps.volts_tolerance"],
        absent: limits["amps.volts_absent"])
    end

    let(:limits) { Fenbo::Limits.default }

    it "is low, in range or high by its tolerance, absent by its own limit, unknown without one of the two" do
      expect([207, 206, 253, 254].map { |volts| supply([volts]).verdict }).to eq %w[in_range low in_range high]
      expect(supply([2]).finding).to eq "absent"
      expect(supply(nil).verdict).to be_nil
      expect(supply([230], plate: nil)).not_to be_known
    end

    it "expects more current of a loaded motor at less voltage, none where there is none" do
      expect(supply([207]).expected_amps(0.9)).to be_within(1e-9).of(1.0)
      expect(supply([1]).expected_amps(0.9)).to be_nil
    end
  end
end
