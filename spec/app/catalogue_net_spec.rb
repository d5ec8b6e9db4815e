# frozen_string_literal: true

require_relative "app_spec_helper"

# The database only narrows: whatever the place, and whatever the shop has made of its
# limits, nothing the core would take is held back.
RSpec.describe CatalogueNet, :rolled_back do
  seed = 20_261
  moved = %w[
    load_low load_high ec_oversize split_phase_oversize output_low output_high rpm_pass rpm_adapt shaft_tolerance
    bolt_circle_tolerance supply_tolerance watts_per_horsepower
  ].map { |name| "match.#{name}" } + Fenbo::Electrical::FAMILIES.flat_map do |family|
    ["efficiency.#{family}", "power_factor.#{family}"]
  end

  before { stub_const("CatalogueNet::MOST", 10_000) }

  let(:motors) do
    Motor.order(:part_no).core_rows.sample(700, random: Random.new(seed)).map { |row| row.compact.except("maker") }
  end

  def site(old, random)
    # The old motor ran here: its plate and the site's supply agree.
    volts = (old["volts"] || [230.0]).sample(random:)
    {
      "volts" => (volts * random.rand(0.95..1.05)).round, "phases" => old["phases"] || 1,
      "hertz" => (old["hertz"].to_a + [50.0]).sample(random:), "ambient_c" => [random.rand(-30..5), random.rand(6..40)],
      "wet" => random.rand < 0.3, "flammable" => random.rand < 0.2, "belt" => random.rand < 0.1
    }
  end

  def limits(moved, random)
    own = moved.sample(4, random:).to_h do |name|
      [name, Fenbo::Limits.default[name] * random.rand(0.6..1.6)]
    end
    Fenbo::Limits.default.with(own)
  end

  # With the listed bushings and brackets, or without knowing what can be had.
  def question(old, random)
    columns = Stations::Match::PlaceAndPlate::ASIDE
    aside = Accessory.where(kind: %w[bushing bracket]).map { |part| part.as_json.slice(*columns) }
    {
      "old" => old.merge("rotation_view" => "shaft_end"), "site" => site(old, random),
      "blade" => {"bore_mm" => old["shaft_diameter_mm"], "rotation" => %w[cw ccw].sample(random:)}.compact,
      "accessories" => ([aside.map(&:compact), []].sample(random:) if random.rand < 0.7)
    }.compact
  end

  16.times do |index|
    it "loses nothing in place #{index + 1}" do
      random = Random.new(seed + index)
      old = motors.sample(random:)
      asked, own = question(old, random), limits(moved, random)
      input = Fenbo::Input.new(asked.merge("motors" => []))
      net = described_class.new(Fenbo::Matching::Match.read(input, own), own).rows.map { |row| row["part_no"] }
      answer = Fenbo.call(:match, asked.merge("motors" => motors), limits: own)
      expect(answer).not_to be_refused
      expect(answer.candidates.map(&:part_no) - net).to eq []
    end
  end

  it "finds who lists a number whatever stands on the plate" do
    number = %q(O'B\\ ?-1 :x %s "$1" (SELECT 1)--)
    listing = Motor.order(:part_no).first
    listing.update!(cross_reference: [number])
    old = listing.attributes.slice(*Motor::COLUMNS).compact.except("maker").merge("part_no" => number)
    rows = Shared::CatalogueMotors.rows(question(old, Random.new(1)))
    expect(rows.map { |row| row["part_no"] }).to include(listing.part_no).and eq(rows.map { |row| row["part_no"] }.uniq)
  end
end
