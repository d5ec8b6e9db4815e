# frozen_string_literal: true

require_relative "app_spec_helper"

# Friday afternoon, the part only from the order house, no overtime: what keeps the product
# meanwhile is offered, priced, kept and told.
RSpec.describe Fenbo::Product::Stopgaps, :rolled_back do
  let(:unit) { create(:unit, family: "fan_bank_condenser", fans: 2) }
  let(:friday) { Time.utc(2031, 5, 9, 14, 30) }
  let(:job) {
    create(:job, unit:, box_c: 4.0, box_read_at: friday, drift_end_c: 20, product_limit_c: 8,
      product_value_cents: 400_000)
  }
  let(:technician) { create(:user) }
  let(:order) {
    [{"id" => "passhouse", "kind" => "order", "price_cents" => 5200, "freight_cents" => 1200, "lead_days" => 1,
      "cutoff" => "15:00", "delivers_at" => "10:00"}]
  }

  before do
    unit.fan_positions.each { |fan| fan.update!(side: "condenser") }
    PartChoice.create!(job:, motor: Motor.where.not(price_cents: nil).first, user: technician,
      fan_position: unit.reload.position("condenser-1"))
  end

  def sources(limits = Shared::Shop.limits)
    now = file(job)
    clock = Fenbo::Product::JobClock.new(now, now: friday, limits:)
    Stations::Source::PartSources.new(now, now.fault_at("condenser-1"), clock:, now: friday)
  end

  def hours(id, **limits)
    now = file(job)
    with = Fenbo::Limits.default.with(limits.transform_keys(&:to_s))
    clock = Fenbo::Product::JobClock.new(now, now: friday, limits: with)
    described_class.new(now, now.unit.fans.first, clock:, limits: with).all.find { |one| one.id == id }&.hours_to_limit
  end

  it "knows what this unit can have, and what each wins" do
    left = Fenbo::Product::JobClock.new(file(job), now: friday).hours_left
    expect(sources.stopgaps.map(&:id)).to eq %w[doors_shut swap_stages ice moved]
    expect(hours("doors_shut")).to be_within(0.02).of(left * 1.5)
    expect(hours("ice")).to be_within(0.02).of(left * 2)
    # From 4 towards 12 instead of 20: the same four kelvin at half the push.
    expect(hours("swap_stages")).to be_within(0.02).of(-14 * Math.log(4.0 / 8))
    expect(hours("moved")).to be_nil
    unit.update!(family: "remote_condenser")
    expect(sources.stopgaps.map(&:id)).not_to include("swap_stages")
  end

  it "reckons with the shop's own figures" do
    expect([hours("ice", "stopgap.ice" => 3), hours("doors_shut", "stopgap.doors" => 1.2)]).to all be_positive
    expect(hours("ice", "stopgap.ice" => 3)).to be > hours("ice")
    expect(hours("doors_shut", "stopgap.doors" => 1.2)).to be < hours("doors_shut")
    expect(hours("swap_stages", "stopgap.stages" => 0.7)).to be_nil.or(be > hours("swap_stages"))
  end

  it "offers them on a Friday afternoon, and the product is saved till Monday" do
    allow(Suppliers::Desk).to receive(:offers).and_return(order)
    found = sources
    without = found.options.select { |option| option.stopgap.nil? }
    expect(without.map(&:product_loss_cents).uniq).to eq [400_000]
    best = found.options.first
    expect(best).to have_attributes(stopgap: "moved", product_loss_cents: 0, second_trip: true)
    expect(best.finish_at).to start_with("2031-05-12").or start_with("2031-05-13")
    expect(found.shown.map(&:stopgap)).to eq ["moved", nil]
    take(found.entry(found.option("passhouse", best.finish_at, "moved")))
    sign_in technician
    get "/jobs/#{job.number}/prove"
    expect(page).to include("product back when it is cold")
  end

  def take(entry) = Logbook.new(Job.find(job.id), technician).take(entry)
end
