# frozen_string_literal: true

require_relative "app_spec_helper"

# The database only narrows: whatever the place, and whatever the shop has made of its
# limits, nothing the core would take is held back.
RSpec.describe CatalogueNet, :rolled_back do
  seed = 20_261
  moved = %w[
    load_low load_high ec_oversize split_phase_oversize output_low output_high rpm_pass rpm_adapt shaft_tolerance
    bolt_circle_tolerance supply_tolerance
  ]

  before { stub_const("CatalogueNet::MOST", 10_000) }

  let(:motors) do
    some = Motor.order(:part_no).pluck(*Motor::COLUMNS).sample(700, random: Random.new(seed))
    some.map { |values| Motor::COLUMNS.zip(values).to_h.compact.except("maker") }
  end

  def place(old, random)
    # The old motor ran here: its plate and the site's supply agree.
    volts = (old["volts"] || [230.0]).sample(random:)
    Shared::CatalogueMotors::Site.new(
      supply_volts: (volts * random.rand(0.95..1.05)).round, supply_phases: old["phases"] || 1,
      supply_hertz: (old["hertz"].to_a + [50.0]).sample(random:), ambient_low_c: random.rand(-30..5),
      ambient_high_c: random.rand(6..40), wet: random.rand < 0.3, flammable: random.rand < 0.2, belt: random.rand < 0.1
    )
  end

  def limits(moved, random)
    own = moved.sample(4, random:).to_h do |name|
      ["match.#{name}", Fenbo::Limits.default["match.#{name}"] * random.rand(0.6..1.6)]
    end
    Fenbo::Limits.default.with(own)
  end

  def question(old, place)
    {
      "old" => old.merge("rotation_view" => "shaft_end"), "motors" => motors,
      "accessories" => [],
      "site" => {
        "volts" => place.supply_volts, "phases" => place.supply_phases, "hertz" => place.supply_hertz,
        "ambient_c" => [place.ambient_low_c, place.ambient_high_c], "wet" => place.wet,
        "flammable" => place.flammable, "belt" => place.belt
      }
    }
  end

  16.times do |index|
    it "loses nothing in place #{index + 1}" do
      random = Random.new(seed + index)
      old = motors.sample(random:)
      site, own = place(old, random), limits(moved, random)
      asked = question(old, site)
      plate = Fenbo::Matching::Motor.read(Fenbo::Input.new(asked["old"]))
      net = described_class.new(plate, site, own).rows.map { |row| row["part_no"] }
      answer = Fenbo.call(:match, asked, limits: own)
      expect(answer).not_to be_refused
      expect(answer.candidates.map(&:part_no) - net).to eq []
    end
  end
end
