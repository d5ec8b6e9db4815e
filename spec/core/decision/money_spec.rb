# frozen_string_literal: true

# Hand-worked: what waiting for the neighbour costs, and what a unit costs a year.
RSpec.describe Fenbo::Decision do
  describe Fenbo::Decision::Neighbour do
    example = Fenbo::Tools.entry("neighbour").example

    def ask(**changes)
      Fenbo.call(:neighbour, Fenbo::Tools.entry("neighbour").example.merge(changes.transform_keys(&:to_s)))
    end

    it "sets the motor now against its share of everything later" do
      expect(ask).to have_attributes(fail_chance: 0.45, now_cents: 37_400, later_cents: 136_800, tips_at: 0.123,
        verdict: "now")
      expect(ask(product_loss_cents: 0).verdict).to eq "later"
      expect(ask(product_loss_cents: 0)).to have_attributes(later_cents: 24_300)
    end

    {[false, "within", false] => 0.04, [false, "over", false] => 0.15, [true, "over", false] => 0.85,
     [true, "over", true] => 0.95, [true, "within", true] => 0.55, [false, nil, false] => 0.04,
     [true, "under", false] => 0.85}.each do |(noisy, amps, play), chance|
      it "gives #{noisy ? "noisy" : "quiet"}, #{amps || "not measured"}#{", play" if play} a chance of #{chance}" do
        found = ask(condition: {"noise" => noisy ? "noisy" : "quiet", "amps" => amps, "play" => play})
        expect(found.fail_chance).to be_within(1e-9).of(chance)
      end
    end

    it "names every wrong field" do
      wrong = Fenbo.call(:neighbour,
        example.merge("condition" => {"noise" => "loud"}, "motor_cents" => -1, "extra_minutes" => "x"))
      expect(wrong.faults.map(&:field)).to match_array %w[condition.noise motor_cents extra_minutes]
    end
  end

  describe Fenbo::Decision::Replace do
    def ask(repair: {}, replace: {}, **more)
      given = Fenbo::Tools.entry("replace").example
      Fenbo.call(:replace, given.merge("repair" => given["repair"].merge(repair.transform_keys(&:to_s)),
        "replace" => given["replace"].merge(replace.transform_keys(&:to_s)), **more.transform_keys(&:to_s)))
    end

    it "reckons both by the year and sets the half-price rule beside" do
      result = ask
      expect(result.repair).to have_attributes(total_cents: 59_000,
        yearly_cents: (59_000 * 0.06 / (1 - 1.06**-4)).round + 57_000)
      expect(result.replace.yearly_cents).to eq((260_000 * 0.06 / (1 - 1.06**-12)).round + 33_000)
      expect(result).to have_attributes(half_price_rule: "repair", verdict: "replace", agree: false)
      expect(result.reasons.map(&:text).join).to include("half-price rule says repair")
    end

    it "spreads evenly without interest, and says how long a repair has to last" do
      repair = {lines: [{"what" => "a", "cents" => 40_000}], years_left: 4, yearly_repairs_cents: 0,
                yearly_energy_cents: 30_000}
      replace = {cents: 120_000, life_years: 10, yearly_repairs_cents: 0, yearly_energy_cents: 20_000}
      result = ask(rate: 0, repair:, replace:)
      expect(result.repair.yearly_cents).to eq 40_000
      expect(result.replace.yearly_cents).to eq 32_000
      expect(result.break_even_years).to eq 20.0
    end

    it "finds the break-even where the years cost the same" do
      years = ask.break_even_years
      again = ask(repair: {years_left: years})
      expect(again.repair.yearly_cents).to be_within(600).of(again.replace.yearly_cents)
    end

    it "names every wrong field" do
      expect(ask(repair: {years_left: 0}, replace: {cents: nil}, rate: 3).faults.map(&:field))
        .to match_array %w[repair.years_left replace.cents rate]
    end
  end
end
