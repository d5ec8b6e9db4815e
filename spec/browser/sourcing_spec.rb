# frozen_string_literal: true

require_relative "browser_helper"
require "net/http"

# Getting the part in time, on a phone: a Friday afternoon, a quote that the customer answers
# by link, a price service that is killed in the middle.
RSpec.describe "getting the part in time" do
  include FactoryBot::Syntax::Methods

  # Carried by a counter and the order house, on nobody's van.
  let(:motor) do
    Motor.where(maker: "Veltrin", family: "shaded_pole").where.not(price_cents: nil)
      .where.not(part_no: VanStock.select(:part_no)).order(:part_no)
      .find { |one| FenboSimulation::PriceService::Seller.all.first.stock(one.part_no).positive? }
  end
  let(:technician) { User.find_by!(login: "jorun") }
  let(:unit) do
    customer = Customer.create!(name: "Lock-keeper #{SecureRandom.hex(3)}", overtime_allowed: false)
    create(:unit, site: create(:site, customer:), fans: 2)
  end
  let(:job) do
    create(:job, unit:, technician:, box_c: 4.0, box_read_at: Time.now, drift_end_c: 20, product_limit_c: 8,
      product_value_cents: 400_000)
  end

  before { phone }

  after { Suppliers::Desk.service = nil }

  def priced(service)
    Suppliers::Priced.new(service, limits: -> { Setting.limits })
  end

  def in_process(ledger = FenboSimulation::PriceService::Ledger.new(nil))
    app = FenboSimulation::PriceService.new(ledger:, silence_s: 0)
    Suppliers::Desk.service = priced(Suppliers::Service.new(Suppliers::Service::InProcess.new(app)))
  end

  def chosen(fan)
    PartChoice.create!(job:, motor:, user: technician, fan_position: unit.position(fan))
    visit "/jobs/#{job.number}/source?fan=#{fan}"
  end

  def way(name) = find("li.way", text: name, match: :first)

  it "ends a Friday afternoon with a stopgap, and a visit on Monday in the calendar" do
    ahead = Time.local(2031, 5, 9, 16, 40) - Time.now
    allow(Time).to receive(:now).and_wrap_original { |now| now.call + ahead }
    in_process
    sign_in_as "jorun"
    chosen("evaporator-1")
    expect(page).to have_css(".ask h2", text: /now, fitted by Wednesday/)
    expect(page).to have_content("against leaving it as it is")
    expect(way("their rule: no overtime")).to have_no_button("Take")
    way("soonest").click_button("Take")
    told "Tarn counter it is."
    expect(page).to have_content("Label it on the unit").and have_link("the visit for your calendar")
    expect_no_overflow
    expect(job.visits.last.starts_at.getlocal).to have_attributes(wday: 1, day: 12)
    visit "/settings"
    click_button "Make the link"
    expect(find("[data-told]").text).to match(%r{/calendar/[\w-]+\.ics})
    visit "/"
    expect(page).to have_css("li", text: /#{unit.name}.*still to do:/m)
    visit "/jobs/#{job.number}/source"
    click_button "It is in place"
    told "the clock goes by it from now on."
    expect_no_overflow
    visit "/"
    expect(page).to have_css("li", text: /#{unit.name}.*meanwhile/m)
  end

  it "has two motors agreed by link, then ordered" do
    unit.site.customer.update!(approval_limit_cents: 5_000)
    in_process
    sign_in_as "jorun"
    decide job.number, "bearing_worn", "Replace", fan: "evaporator-1"
    Finding.create!(job:, user: technician, fan_position: unit.position("evaporator-2"), test: "noise",
      outcome: "grinding", client_id: SecureRandom.uuid, taken_at: Time.now)
    chosen("evaporator-1")
    expect(page).to have_content("This needs a yes first").and have_no_button("Take it")
    within(".ask") { click_link "Quote first" }
    click_button "Make this the quote"
    told "uote"
    click_button "Link for the customer"
    link = find("code", text: "/quote/").text
    using_session(:customer) do
      visit URI(link).path
      expect(page).to have_content("Better")
      choose Stations::Source::QuoteForm::VERDICTS["approved"]
      choose "option", option: "better"
      fill_in "Name", with: "B. Aldenrath"
      click_button "Send the answer"
      expect(page).to have_css(".told", text: "B. Aldenrath")
    end
    visit "/jobs/#{job.number}/source?fan=evaporator-1"
    within(".ask") { click_button "Take it" }
    expect(page).to have_css("[data-told]")
    expect(PartOrder.standing(job).map { |one| [one.state, one.part_no] }).to eq [["placed", motor.part_no]]
    expect(JobSource.numbered(job.number).quotes.first.answer.option).to eq "better"
  end

  it "loses nothing when the price service is killed in the middle, and orders once" do
    Dir.mktmpdir do |folder|
      port = TCPServer.open("127.0.0.1", 0) { |socket| socket.addr[1] }
      start = -> {
        spawn("ruby", File.expand_path("../../script/price_service.rb", __dir__), port.to_s, "#{folder}/ledger.json")
      }
      service = start.call
      Suppliers::Desk.service = priced(Suppliers::Service.at("http://127.0.0.1:#{port}", seconds: 1.5))
      wait_for(port)
      sign_in_as "jorun"
      chosen("evaporator-1")
      expect(page).to have_css("li.way", text: "Passhouse orders")
      Process.kill("KILL", service)
      Process.wait(service)
      allow(Suppliers::Ordering::Settle).to receive(:enqueue)
      expect {
        way("Passhouse orders").click_button("Take")
        told("does not answer: the order is kept")
      }.to output.to_stderr
      visit "/jobs/#{job.number}/source?fan=evaporator-1"
      expect(page).to have_content("not sent yet").and have_css("li.way", text: "Passhouse orders")
      service = start.call
      wait_for(port)
      2.times { Suppliers::Ordering::Settle.run(job.id) }
      visit "/jobs/#{job.number}/source?fan=evaporator-1"
      expect(page).to have_css(".tag", text: "ordered")
      expect(JSON.parse(File.read("#{folder}/ledger.json"))["orders"].keys).to eq [PartOrder.find_by!(job:).uid]
    ensure
      Process.kill("TERM", service)
      Process.wait(service)
    end
  end

  def wait_for(port)
    100.times do
      return Net::HTTP.get(URI("http://127.0.0.1:#{port}/suppliers"))
    rescue SystemCallError
      sleep 0.1
    end
  end
end
