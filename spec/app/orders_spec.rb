# frozen_string_literal: true

require "csv"
require "icalendar"
require "nokogiri"
require "pdf/reader"
require_relative "app_spec_helper"

# A part ordered: sent once, kept while nobody answers, told when it is sold out or late, on
# paper for whoever fetches it, and in the calendar of whoever fits it.
RSpec.describe PartOrder, :rolled_back do
  let(:unit) { create(:unit, fans: 2) }
  let(:job) {
    create(:job, unit:, technician:, box_c: 4.0, box_read_at: Time.now, drift_end_c: 20, product_limit_c: 8,
      product_value_cents: 400_000)
  }
  let(:technician) { create(:user) }
  let(:motor) { Motor.find_by!(part_no: "BR-S12-230-R") }
  let(:ledger) { FenboSimulation::PriceService::Ledger.new(nil) }
  let(:service) { FenboSimulation::PriceService.new(ledger:, silence_s: 0) }

  before do
    Suppliers::Desk.service = Suppliers::Priced.new(Suppliers::Service.new(Suppliers::Service::InProcess.new(service)),
      limits: -> { Setting.limits })
    PartChoice.create!(job:, motor:, user: technician, fan_position: unit.position("evaporator-1"))
    sign_in technician
    get "/jobs/#{job.number}/source?fan=evaporator-1"
  end

  after { Suppliers::Desk.service = nil }

  def choose(id, **more)
    send_form "/jobs/#{job.number}/source", fan: "evaporator-1", offer: id, finish_at: "", stopgap: "", **more
  end

  def order = described_class.where(job:).order(:id).last

  def source
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    page
  end

  it "orders what was taken, once, and takes it back when another way is taken" do
    2.times { choose("passhouse") }
    expect([described_class.standing(job).map(&:state), ledger.sold("passhouse", motor.part_no)]).to eq [%w[placed], 1]
    expect([order.their_no, order.kind]).to match [start_with("P-"), "order"]
    choose("tarn")
    expect(described_class.order(:id).where(job:).pluck(:state)).to eq %w[cancelled placed]
    expect([ledger.sold("passhouse", motor.part_no), ledger.sold("tarn", motor.part_no)]).to eq [0, 1]
    Logbook.new(job.reload, technician).take(Entries::Fitted.new(fault: "evaporator-1"))
    expect(order.state).to eq "here"
  end

  it "ends with what it was for, which its supplier and whoever chose are told" do
    other = Motor.where.not(part_no: motor.part_no).first!
    ends = {
      technician => Entries::Part.new(fault: "evaporator-1", part_no: other.part_no, grade: "drop_in", checks: []),
      create(:user, role: "office") => Entries::Cancel.new(reason: "Not needed")
    }
    ends.each do |person, entry|
      choose("passhouse")
      name = order.part_no
      off = Shared::TakenBack.around(job.reload) { Logbook.new(job, person).take(entry) }
      expect([off, order.state, ledger.sold("passhouse", name)])
        .to eq ["#{name} is taken back at #{order.supplier_name}.", "cancelled", 0]
    end
  end

  it "has to go back where it is here already" do
    choose("passhouse")
    2.times { send_form "/jobs/#{job.number}/orders/#{order.uid}/come", fan: "evaporator-1" }
    choose("tarn")
    expect(described_class.standing(job).pluck(:state)).to eq %w[over placed]
    expect(source.squish).to include("here, not used", "goes back to Passhouse", "give it back to Passhouse")
  end

  it "went back, or stays on one's own van for another job, once, even after the job's end" do
    back = ->(one, how) {
      send_form("/jobs/#{job.number}/orders/#{one.uid}/settle", fan: "evaporator-1", how:)
      [status, one.reload.state, VanStock.find_by(user: technician, part_no: one.part_no)&.count.to_i]
    }
    first, second =
      %w[passhouse tarn].map { |id| choose(id).then { order }.tap { |one| one.came(Time.now) } }
    choose("passhouse")
    get "/van"
    expect(page).to include("Here, and not used", "goes back to Passhouse", "goes back to Tarn")
    expect(back.call(order, "returned")).to eq [422, "placed", 0]
    expect(back.call(first, "thrown away")).to eq [422, "over", 0]
    expect([back.call(first, "kept"), back.call(first, "kept")]).to all eq [303, "kept", 1]
    expect(back.call(first, "returned")).to eq [422, "kept", 1]
    job.reload.update!(status: "closed")
    expect([back.call(second, "returned"),
      back.call(second, "kept")]).to eq [[303, "returned", 1], [422, "returned", 1]]
    expect(source).to include("kept on a van", "given back")
    expect(source.scan("than promised").size).to eq 0
    get "/van"
    expect(page).not_to include "Here, and not used"
  end

  it "is here as soon as somebody has it in hand, once, without moving what was agreed" do
    choose("passhouse")
    get "/jobs/#{job.number}/fit?fan=evaporator-1"
    expect(page).to include("On its way").and(include("It has come"))
    agreed, come = job.visits.reload.last.starts_at, "/jobs/#{job.number}/orders/#{order.uid}/come"
    2.times { send_form come, fan: "evaporator-1" }
    expect([status, order.state, job.visits.reload.last.starts_at]).to eq [303, "here", agreed]
    expect(order.ready_at).to be_within(60).of(Time.now)
    get "/jobs/#{job.number}/fit?fan=evaporator-1"
    expect(page).not_to include "On its way"
    expect(source).to include("#{motor.part_no} here, not fitted yet").and(include("The part is here; we fit it on"))
    expect(Nokogiri::HTML(source).at_css(".ask").text.squish).to eq "#{motor.part_no} is here. To the work plan"
    choose("passhouse")
    expect([described_class.where(job:).pluck(:state), ledger.sold("passhouse", motor.part_no)]).to eq [%w[here], 1]
    job.visits.last.update!(starts_at: agreed + 7 * 86_400)
    moved = Shared::Shop.local(agreed + 7 * 86_400)
    expect(source).to include "we fit it on #{moved.strftime("%a %-d %b")}"
    choose("tarn")
    send_form come, fan: "evaporator-1"
    expect(status).to eq 422
  end

  it "takes nothing more once the job is closed" do
    choose("passhouse")
    was = order.ready_at
    job.reload.update!(status: "closed")
    send_form "/jobs/#{job.number}/orders/#{order.uid}/move", fan: "evaporator-1", ready_at: "2031-05-05T10:00"
    expect([status, order.ready_at]).to eq [422, was]
    ledger.slip(order.uid, 3)
    %w[ask come].each do |press|
      send_form "/jobs/#{job.number}/orders/#{order.uid}/#{press}", fan: "evaporator-1"
      expect([status, order.ready_at, order.state]).to eq [422, was, "placed"]
    end
  end

  it "keeps an order while its supplier is silent, and sends it by itself afterwards" do
    ledger.fault!("passhouse", "silent")
    allow(Suppliers::Ordering::Settle).to receive(:enqueue)
    expect { choose("passhouse") }.to output(/passhouse/).to_stderr
    expect(Suppliers::Ordering::Settle).to have_received(:enqueue).with(job.id, anything)
    expect([order.state, source]).to match ["to_send", include("It is kept, and sent by itself")]
    get "/"
    expect(page).to include "waits for an answer from Passhouse orders"
    expect { expect { Suppliers::Ordering::Settle.run(job.id) }.to raise_error(Suppliers::Service::Silent) }
      .to output.to_stderr
    ledger.fault!("passhouse", nil)
    Suppliers::Ordering::Settle.run(job.id)
    expect([order.state, ledger.order(order.uid)["count"]]).to eq ["placed", 1]
  end

  it "says who was too late for the last piece, and leaves the choice open again" do
    left = FenboSimulation::PriceService::Seller.all.find { |one| one.id == "tarn" }.stock(motor.part_no)
    left.times { |index|
      ledger.place("other#{index}", {"seller" => "tarn", "part_no" => motor.part_no, "count" => 1}) {
        true
      }
    }
    choose("tarn")
    expect([order.state, job.part_choices.last.offer]).to eq ["sold", nil]
    expect(source).to include("Somebody was faster").and(include("the last piece is gone"))
  end

  it "moves the visit with a delivery that slips, and says what it does to the product" do
    choose("passhouse")
    was = job.visits.reload.last.starts_at
    ask = -> { send_form "/jobs/#{job.number}/orders/#{order.uid}/ask", fan: "evaporator-1" }
    ask.call
    expect(source).to include("as promised").and(satisfy { |text| !text.include?("Comes later than promised") })
    ledger.slip(order.uid, 2)
    2.times { ask.call }
    expect(job.visits.reload.last.starts_at).to eq was + 2 * 86_400
    expect(source).to include("Comes later than promised").and(include("passes its limit"))
    send_form "/jobs/#{job.number}/orders/#{order.uid}/move", fan: "evaporator-1",
      ready_at: (was + 86_400).getlocal.strftime("%Y-%m-%dT%H:%M")
    expect([order.late_by_hours, job.visits.reload.last.starts_at]).to eq [24.0, was + 86_400]
    send_form "/jobs/#{job.number}/orders/#{order.uid}/move", fan: "evaporator-1", ready_at: "soon"
    expect([status, order.late_by_hours]).to eq [422, 24.0]
    ledger.fault!("passhouse", "silent")
    ask.call
    expect([source, order.late_by_hours]).to match [include("does not answer. Nothing is changed."), 24.0]
  end

  it "puts what was ordered on a sheet, as PDF and as CSV, and tells the customer" do
    choose("passhouse")
    get "/jobs/#{job.number}/parts.csv"
    row = CSV.parse(page, headers: true).first
    expect(row.to_h).to include("supplier" => "Passhouse orders", "part_no" => motor.part_no, "count" => "1",
      "state" => "ordered", "their_no" => order.their_no, "price" => format("%.2f", order.price_cents / 100.0))
    get "/jobs/#{job.number}/parts.pdf"
    expect(PDF::Reader.new(StringIO.new(last_response.body)).pages.flat_map(&:runs).map(&:text).join(" "))
      .to include(motor.part_no, order.their_no, unit.name)
    expect(source).to include("The part comes from Passhouse orders; we fit it on")
  end

  it "feeds a technician's calendar by a link of its own, as long as it is theirs" do
    choose("passhouse")
    get "/settings"
    send_form "/calendar"
    get "/settings"
    address = page[%r{/calendar/[\w-]+\.ics}]
    clear_cookies
    get address
    event = Icalendar::Calendar.parse(page).first.events.find { |one| one.summary.include?(unit.name) }
    expect(event.dtstart.to_i).to eq job.visits.last.starts_at.to_i
    expect([event.description,
      event.location]).to match [include("Bring: #{motor.part_no}", "First: the box against 8 °C"),
        start_with(unit.site.name)]
    sign_in technician
    get "/settings"
    send_form "/calendar"
    clear_cookies
    get address
    expect(status).to eq 404
  end

  context "with a supplier known by its price list" do
    let(:office) { create(:user, role: "office") }

    def load(csv, **more)
      sign_in office
      get "/suppliers"
      send_form "/suppliers", name: "Weir Motors", kind: "order", lead_days: "1", csv:, **more
    end

    it "offers what is on it, to be rung, and names the line that is wrong" do
      load("part_no;price;in_stock\n#{motor.part_no.downcase};19,90;yes\nX-1;abc;yes")
      expect([status, page, Supplier.count]).to match [422, include("Line 3: “abc” is no price like 42.50."), 0]
      load("part_no;price\n#{motor.part_no};19,90")
      expect(Supplier.last.supplier_prices.map(&:price_cents)).to eq [1990]
      sign_in technician
      expect(source).to include "Weir Motors"
      choose(Supplier.last.uid)
      expect([order.state, order.price_cents, source]).to match ["by_hand", 1990, include("ring them")]
      load("part_no,price,lead_days\n#{motor.part_no},25.00,3")
      expect(Supplier.last.supplier_prices.map { |one| [one.price_cents, one.lead_days] }).to eq [[2500, 3]]
      load("price\n1")
      expect(page).to include "It needs the columns part_no."
      load("part_no,price\n#{motor.part_no},1", kind: "counter", days: %w[1], from: "9", to: "08:00",
        travel_minutes: "30", closed: "Easter")
      expect([status, page]).to match [422, include("A time like 07:30.", "no date like 2031-12-25")]
      send_form "/suppliers/#{Supplier.last.uid}/drop"
      expect([Supplier.count, Setting.read("price_lists")]).to eq [0, 0]
    end
  end
end
