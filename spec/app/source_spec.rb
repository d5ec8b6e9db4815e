# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# Station Source: the product's clock over the ways to get the part, each on the same time.
RSpec.describe Stations::Source, :rolled_back do
  let(:unit) { create(:unit, fans: 2) }
  let(:friday) { Time.local(2031, 5, 9, 16, 30) }
  let(:job) {
    create(:job, unit:, box_c: 4.0, box_read_at: friday, drift_end_c: 20, product_limit_c: 8,
      product_value_cents: 400_000)
  }
  let(:technician) { create(:user) }
  let(:order) {
    {"id" => "passhouse", "kind" => "order", "price_cents" => 5200, "freight_cents" => 1200, "lead_days" => 1,
     "cutoff" => "15:00", "delivers_at" => "10:00"}
  }

  before do
    PartChoice.create!(job:, motor: Motor.where.not(price_cents: nil).first, user: technician,
      fan_position: unit.position("evaporator-1"))
    allow(Time).to receive(:now).and_return(friday)
    allow(Suppliers::Desk).to receive(:offers) { offers }
    sign_in technician
  end

  let(:offers) { [order] }

  def ways(**slot)
    now = file(job)
    clock = Fenbo::Product::JobClock.new(now, now: friday, limits: Shared::Shop.limits)
    Stations::Source::Ways.new(Stations::Source::PartSources.new(now, now.fault_at("evaporator-1"),
      clock:, now: friday, slot: slot.transform_keys(&:to_s)))
  end

  it "draws each way from now to its finish, the best first, with what it saves" do
    best, bare = ways.taken
    expect([best.stopgap, bare.stopgap]).to eq ["moved", nil]
    expect(best.marks).to eq %w[recommended soonest cheapest]
    expect([bare.late?, bare.limit_hours]).to match [true, be_within(0.1).of(14 * Math.log(16 / 12.0))]
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).to include "Product moved to a healthy unit now, fitted by", "against leaving it as it is",
      "of it product", "drift-held"
  end

  it "says what being done sooner costs more, where it is not the best in all" do
    offers << {"id" => "van", "kind" => "van", "price_cents" => 30_000}
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).to match(/Sooner by 26.h.30: Product moved .* now, On the van, by Monday 08:15, for 236.00.€ more\./)
    offers.shift
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).not_to include "Sooner by"
  end

  it "waits for the site, and says of a way whose work never finds it open long enough" do
    seen = ["Tue 12 to 18", "Tue 12 to 12:15"].map { |hours|
      unit.site.update!(hours:)
      get "/jobs/#{job.number}/source?fan=evaporator-1"
      [page[/work Tue \d\d:\d\d/], page[/the site is closed then \([^)]*\)/],
        page.include?("The site is closed then: move"), page[/lets nobody in to do it before [^<]*/]&.strip]
    }
    expect(seen).to eq [
      ["work Tue 12:00", nil, false, "lets nobody in to do it before Tue 13 May 12:00 (Tue 12 to 18)."],
      ["work Tue 10:00", "the site is closed then (Tue 12 to 12:15)", true, nil]
    ]
  end

  it "joins the parcel, the trip and the hours of another part, and puts no product down to a sound motor" do
    take = -> { Logbook.new(job.reload, technician).take(_1) }
    source = lambda do |fan|
      send_form "/jobs/#{job.number}/source", fan:, offer: "passhouse", stopgap: "", finish_at: ""
      file(job).fault_at(fan).part_choice.offer
    end
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    first = source.call("evaporator-1")
    planned = -> { job.visits.where("starts_at > ?", friday).pluck(:planned_minutes) }
    minutes = planned.call.sum
    take.call(Entries::Decision.new(id: SecureRandom.uuid, fault: "evaporator-2", causes: ["healthy"],
      proposed: "healthy", action_taken: "replace", standing: {}))
    take.call(Entries::Part.new(fault: "evaporator-2", part_no: Motor.where.not(price_cents: nil).first.part_no,
      grade: "drop_in", checks: []))
    get "/jobs/#{job.number}/source?fan=evaporator-2"
    expect(page).to include "paid with another part", "the product waits"
    expect(page).not_to include "of it product", "against leaving it as it is"
    second = source.call("evaporator-2")
    expect([first["product_loss_cents"], second["product_loss_cents"]]).to match [be_positive, 0]
    cents = second["lines"].to_h { |line| line.values_at("what", "cents") }
    expect(cents["paid with another part"]).to eq(-cents.values_at("freight", "second trip").sum)
    expect(planned.call).to eq [2 * minutes]
  end

  it "moves a way to the hour it is dragged to, and takes it there" do
    at = "2031-05-14T13:00"
    get "/jobs/#{job.number}/source?fan=evaporator-1&offer=passhouse&at=#{at}"
    expect(page).to include "work Wed 13:00"
    expect(ways(offer: "passhouse", at:).best.start_hours).to be_within(0.01).of(4 * 24 + 20.5)
    send_form "/jobs/#{job.number}/source", fan: "evaporator-1", offer: "passhouse", stopgap: "moved", at:,
      finish_at: ""
    expect([status, job.visits.last.starts_at]).to eq [303, Time.local(2031, 5, 14, 13)]
    get "/jobs/#{job.number}/source?fan=evaporator-1&offer=passhouse&at=tomorrow"
    expect([status, page]).to match [200, include("work Tue 10:00")]
  end

  context "with a counter that has none, and a van after hours" do
    let(:offers) {
      [order, {"id" => "van", "kind" => "van", "price_cents" => 8900},
        {"id" => "tarn", "kind" => "counter", "price_cents" => 7000, "in_stock" => false,
         "open" => {"days" => [1], "from" => "08:00", "to" => "12:00"}}]
    }

    it "shows what a rule or a shelf forbids, with the reason" do
      expect(ways.refused.map { |way| [way.offer, way.rule] }).to contain_exactly(
        ["van", "their rule: no overtime, ask first"], ["tarn", "not in stock"]
      )
      unit.site.customer.update!(overtime_allowed: true)
      expect(ways.refused.map(&:offer)).to eq ["tarn"]
    end
  end

  it "keeps the shop's holidays" do
    expect(ways.best.times).to start_with "work Tue 10:00"
    Setting.write("holidays", ["2031-05-13"])
    expect(ways.best.times).to start_with "work Wed 10:00"
  end

  it "lays hours out so that near ones have room, and finds them again" do
    scale = ways.scale
    expect(scale.x(12, 100)).to be_within(0.5).of(42)
    [0.5, 7, 33].each { |hour| expect(scale.hour_at(scale.x(hour, 1.0))).to be_within(0.01).of(hour) }
    expect(scale.nights.first.first).to eq 0.5
    expect(scale.days.map(&:last)).to start_with "Sat", "Sun", "Mon"
  end

  it "draws the frontier in steps down, over what is beaten" do
    plot = Stations::Source::FrontierPlot.new(ways.instance_variable_get(:@sources).options, scale: ways.scale,
      money: :to_s.to_proc)
    drawn = Nokogiri::XML(plot.svg)
    expect(drawn.css(".plot-best").size).to be >= 1
    expect(drawn.css(".plot-beaten").size).to be >= 1
  end
end
