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

  it "stays part of the way it was taken with when that is taken again" do
    allow(Suppliers::Desk).to receive(:offers).and_return([order.first.merge("cutoff" => "17:00")])
    found = sources
    take(found.entry(found.options.find { |option| option.stopgap == "moved" }))
    taken = file(job.reload).part_choice("condenser-1")
    hold(0, "moved")
    again = sources.options.first
    take(sources.entry(again))
    now = file(job.reload).part_choice("condenser-1")
    expect([again.stopgap, now.offer, now.ready_at]).to eq [nil, taken.offer, taken.ready_at]
    expect(PartOrder.where(job:).count).to eq 1
  end

  # Of a box that drifts from 4 towards 20 °C with the family's time constant, limit 8.
  def clock(hours)
    Fenbo::Product::JobClock.new(file(job.reload), now: friday + hours * 3600, limits: Shared::Shop.limits)
  end

  def offered(hours)
    now = file(job)
    described_class.new(now, now.unit.fans.first, clock: clock(hours), limits: Shared::Shop.limits).all
      .reject { |one| one.id == "swap_stages" }.to_h { |one| [one.id, one.hours_to_limit] }
  end

  def hold(hours, stopgap)
    allow(Time).to receive(:now).and_return(friday + hours * 3600)
    sign_in technician
    get "/jobs/#{job.number}/clock"
    2.times { send_form "/jobs/#{job.number}/clock/hold", stopgap: }
    status
  end

  it "turns the product's clock once it is in place, and back once it is undone" do
    left, tau = clock(0).hours_left, clock(0).result.tau_hours
    hold(1, "ice")
    expect(clock(1)).to have_attributes(hours_left: be_within(0.03).of((left - 1) * 2), stopgap: "ice")
    expect(clock(3).now_c).to be_within(0.01).of(20 - 16 * Math.exp(-1 / tau) * Math.exp(-2 / (2 * tau)))
    # What would take its place has to be better.
    expect(offered(3)).to eq("moved" => nil)
    # Read again, it goes on from there, still held; by two readings at the pace that they show.
    read(3, "4.6")
    expect(clock(3).result.tau_hours).to be_within(0.01).of(2 * tau)
    read(5, "4.8")
    expect(clock(5).result.tau_hours).to be_within(0.1).of(2 / Math.log(15.4 / 15.2))
    hold(5, "")
    expect(clock(5)).to have_attributes(stopgap: nil, end_c: 20.0)
    expect(clock(5).now_c).to be_within(0.01).of(4.8)
    get "/jobs/#{job.number}/clock"
    expect(page).to include("What holds it meanwhile", "In place")
  end

  it "lets the product wait elsewhere while its box warms, which is kept as it is read" do
    hold(1, "moved")
    there = clock(1).now_c
    read(6, "11.5")
    expect(clock(9)).to have_attributes(elsewhere?: true, hours_left: nil, past?: false, now_c: there)
    expect(file(job).readings_of("product").last.question["now_c"]).to eq 11.5
    expect([page, sources.stopgaps]).to match [include("the product waits").or(include("The product waits")), []]
    copy = Fenbo::JobFile.from_json(JSON.parse(JSON.generate(file(job).as_json)))
    expect(copy.drift_from).to eq file(job).drift_from
    take(Entries::ProofTick.new(check: "undone"))
    expect(clock(9).stopgap).to be_nil
  end

  it "holds nothing with what this unit cannot have, nor where no clock runs" do
    unit.update!(family: "remote_condenser")
    expect(hold(1, "swap_stages")).to eq 422
    expect(hold(1, "snow")).to eq 422
    job.update!(box_c: nil, box_read_at: nil)
    expect(hold(1, "ice")).to eq 422
    expect([page, job.reload.drift_from]).to match [include("No clock runs"), nil]
  end

  def read(hours, celsius)
    allow(Time).to receive(:now).and_return(friday + hours * 3600)
    get "/jobs/#{job.number}/clock"
    send_form "/jobs/#{job.number}/clock", client_id: SecureRandom.uuid, now: celsius
    get "/jobs/#{job.number}/clock"
  end

  def take(entry) = Logbook.new(Job.find(job.id), technician).take(entry)
end
