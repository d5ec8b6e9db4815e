# frozen_string_literal: true

require "nokogiri"
require "pdf-reader"
require_relative "app_spec_helper"

# What the customer is asked and says: versions that never change, a yes on the spot, by link or
# told, and nothing ordered or taken apart above their limit without one.
RSpec.describe Stations::Source::Quotes, :rolled_back do
  let(:technician) { create(:user) }
  let(:unit) { create(:unit, fans: 3) }
  let(:job) { create(:job, unit:) }
  let(:motor) { Motor.find_by!(part_no: "BR-S12-230-R") }

  def limit(cents) = unit.customer.update!(approval_limit_cents: cents)

  def record = Job.find(job.id)

  def take(entry) = Logbook.new(record, technician).take(entry)

  before do
    limit(5_000)
    sign_in technician
    get "/jobs/#{job.number}/decide"
    send_form "/jobs/#{job.number}/decide", fan: "evaporator-2", cause: "bearing_worn", action: "replace",
      reason: "seen", client_id: SecureRandom.uuid
    take(Entries::Part.new(fault: "evaporator-2", part_no: motor.part_no, grade: "drop_in", checks: []))
  end

  it "puts a motor that takes less into the best option, with what it saves and when it is paid" do
    plate = {"part_no" => "BR-E12-230", "extra_cents" => 4_200, "saved_cents" => 7_000, "saved_kwh" => 250,
             "payback_years" => 0.6}
    take(Entries::Part.new(fault: "evaporator-2", part_no: "BR-S12-230-L", grade: "drop_in", checks: [],
      beside: {"upgrade" => plate}))
    make
    best = file(job).quotes.last.options.find { |one| one["id"] == "best" }
    line = best["lines"].find { |one| one["what"].include?("BR-E12-230") }
    expect([line["cents"], line["evidence"]]).to match [4_200, include("saves 250 kWh", "paid back in 0.6 years")]
    get "/jobs/#{job.number}/source?fan=evaporator-2"
    expect(page).to include "A motor that takes less", "Run half the hours, it is paid in 1.2 years."
  end

  # What Match keeps of it when a motor is chosen.
  it "knows such a motor for a shaded pole that is chosen, and none for one that takes as little" do
    chosen = lambda do |family|
      get "/jobs/#{job.number}/match?fan=evaporator-2"
      found = Nokogiri.HTML5(page).css("form[action$='/match'] input[name=part]").map { |one| one["value"] }
      number = (found - [motor.part_no]).find { |one| Motor.find_by(part_no: one)&.family == family }
      send_form "/jobs/#{job.number}/match", fan: "evaporator-2", part: number
      file(job).fault_at("evaporator-2").part_choice.beside["upgrade"]
    end
    expect(chosen.call("shaded_pole")).to include("saved_cents" => be_positive, "payback_years" => be >= 0)
    expect(chosen.call("ec")).to be_nil
  end

  it "hands on what was agreed beyond the fault, until a press takes it on" do
    take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test: "noise", outcome: "quiet_normal"))
    make
    answer(option: "best", how: "told")
    agreed = "Agreed by B. Aldenrath, not on the job yet"
    %w[quote source hand_over].each do |station|
      get "/jobs/#{job.number}/#{station}?fan=evaporator-2"
      expect(page).to include agreed, "Evaporator fan 1: motor, changed on the same visit"
    end
    send_form "/jobs/#{job.number}/decide/agreed", fan: "evaporator-1"
    expect(last_response["location"]).to end_with "/jobs/#{job.number}/match?fan=evaporator-1"
    decision = file(job).fault_at("evaporator-1").decision
    expect([decision.causes, decision.action]).to eq [%w[healthy], "replace"]
    get "/jobs/#{job.number}/hand_over"
    expect(page).to include "Sound, changed on the same visit, replace"
    expect(page).not_to include agreed
    send_form "/jobs/#{job.number}/decide/agreed", fan: "evaporator-1", client_id: SecureRandom.uuid
    expect([last_response.status, file(job).decisions.size]).to eq [404, 2]
  end

  def make(**fields) = send_form("/jobs/#{job.number}/quote", **fields)

  def answer(version = 1, **fields)
    send_form "/jobs/#{job.number}/quote/#{version}/answer", verdict: "approved", option: "good", name: "B. Aldenrath",
      **fields
  end

  def order
    get "/jobs/#{job.number}/source?fan=evaporator-2"
    found = Nokogiri.HTML5(page)
    form = found.at_css("form[method=post][action$='/source']") or return false
    send_form "/jobs/#{job.number}/source",
      **form.css("input").to_h { |one| [one["name"].to_sym, one["value"]] }.except(:authenticity_token)
  end

  it "orders and takes apart nothing above the limit until somebody said yes" do
    expect(order).to be false
    expect(page).to include "Ask first", "This needs a yes first"
    offer = {"offer" => "van", "total_cents" => 30_000, "product_loss_cents" => 0, "lines" => []}
    taken = Entries::Offer.new(fault: "evaporator-2", option: offer, ready_at: Time.now, second_trip: false)
    expect { take(taken) }.to raise_error(Logbook::Refused, /asked above 50.00/)
    make
    answer
    expect([status, file(job).quotes.first.answer.net_cents]).to match [303, be > 5_000]
    expect(order).to be_truthy
    expect([status, file(job).fault_at("evaporator-2").standing]).to eq [303, "ordered"]
    # Somebody changes their mind: what is not begun does not begin.
    answer(verdict: "declined", reason: "too dear")
    work = {fault: "evaporator-2", task: "evaporator_fan_motor"}
    step = -> { take(Entries::Step.new(**work, step: "guard_off", fasteners: 4)) }
    %w[fans_locked heaters_locked proved_dead].each do |id|
      take(Entries::Step.new(**work, step: id, proof: [0, 1, 2]))
    end
    expect(&step).to raise_error(Logbook::Refused, /wants to be asked/)
    limit(nil)
    expect(step.call).to be_persisted
  end

  # A way that is not the recommended one is quoted as it is, and taken once it is agreed.
  it "quotes the way that is asked about, and lets that one be ordered" do
    get "/jobs/#{job.number}/source?fan=evaporator-2"
    asked = Nokogiri.HTML5(page).css("a").select { |one| one.text.strip.start_with?("Ask first") }
      .map { |one| one["href"] }
    expect(asked.size).to be > 1
    proposed = asked.map { |path|
      get path
      [page[/Reckoned by ([^,.]*)/, 1], page[/In all.*?([\d .]+)\u00a0?€/m, 1]]
    }
    expect(proposed.uniq.size).to eq asked.size
    way = Rack::Utils.parse_query(URI(asked.last).query).transform_keys(&:to_sym)
    make(**way)
    expect(last_response["location"]).to include "offer=#{way[:offer]}"
    answer
    send_form "/jobs/#{job.number}/source", **way
    expect([status, file(job).fault_at("evaporator-2").part_choice.offer["offer"]]).to eq [303, way[:offer]]
    get "/jobs/#{job.number}/quote?fan=evaporator-2&offer=nobody"
    expect(page).to include "That way is not to be had any more"
  end

  it "says why on every line, adds the neighbours that are due, and never changes a version" do
    job.findings.create!(client_id: SecureRandom.uuid, user: technician, fan_position: unit.position("evaporator-3"),
      test: "noise", outcome: "grinding", taken_at: Time.now)
    2.times { make }
    first = file(job).quotes
    expect(first.size).to eq 1
    expect(first.first.options.map { |one| one["id"] }).to eq %w[good better]
    lines = first.first.options.last["lines"]
    expect(lines.map { |line| line["evidence"] }.compact).to include(/Bearing worn/, /grind.*fails within a year/)
    make discount: "10", note: "As agreed on the phone"
    expect(file(job).quotes.map { |one| [one.version, one.options.first["discount_cents"].positive?] }).to eq [
      [1, false], [2, true]
    ]
    change = -> { Quote.transaction(requires_new: true) { Quote.last.update!(note: "other") } }
    expect(&change).to raise_error(ActiveRecord::StatementInvalid, /never changed/)
    answer(1)
    expect([status, page]).to match [422, include("There is a newer quote")]
  end

  it "answers bad input at its field, with what was typed" do
    make discount: "a lot"
    expect([status, page]).to match [422, include("A number from 0 to 100.")]
    make
    answer(verdict: "perhaps", name: "")
    expect([status, page]).to match [422, include("Yes or no?", "Who says so?")]
    answer(option: "platinum", reason: "kept text")
    expect([status, page]).to match [422, include("Which option?", "kept text")]
    answer(verdict: "declined", reason: "")
    expect([status, page]).to match [422, include("Why not, in a few words?")]
    answer(signature: "scribble")
    expect([status, page]).to match [422, include("could not be read")]
    expect(QuoteAnswer.where(quote: record.quotes)).to be_empty
  end

  it "is answered over a link once, without signing in, and by nobody else's" do
    make
    send_form "/jobs/#{job.number}/quote/1/link"
    secret = page[%r{/quote/([\w-]{20,})}, 1]
    clear_cookies
    get "/quote/#{secret}"
    expect([status, page]).to match [200, include("Quote #{job.number}-1", "Bearing worn")]
    send_form "/quote/#{secret}", verdict: "approved", option: "good", name: ""
    expect(status).to eq 422
    2.times { send_form "/quote/#{secret}", verdict: "approved", option: "good", name: "Berit" }
    get "/quote/#{secret}"
    expect(page).to include("Approved: good", "by link")
    expect(page).not_to include("Send the answer")
    expect(QuoteAnswer.where(quote: record.quotes).pluck(:name, :how)).to eq [%w[Berit link]]
    get "/quote/#{secret.reverse}"
    expect(status).to eq 404
    QuoteLink.update_all(expires_at: 1.day.ago)
    get "/quote/#{secret}"
    expect(status).to eq 404
  end

  it "is on the day board until it is answered" do
    waits = -> { Day::Board.new(now: Time.now).entries.find { |entry| entry.job.id == job.id }.standing_words }
    make
    expect(waits.call).to include "waits for their yes to quote #{job.number}-1"
    answer
    expect(waits.call).to include "an order for #{motor.part_no}"
  end

  it "sets the repair against a new unit, fault by fault, and keeps what was reckoned" do
    limit(nil)
    order
    get "/jobs/#{job.number}/replace"
    expect(page).to include "Not reckoned yet", "Evaporator fan 2: Bearing worn"
    typed = {years_left: "4", repairs_a: "150", energy_a: "420", price: "2600", life: "12", energy_b: "290", rate: "6"}
    send_form "/jobs/#{job.number}/replace", **typed, years_left: "", client_id: SecureRandom.uuid
    expect([status, page]).to match [422, include("2600", "is missing")]
    send_form "/jobs/#{job.number}/replace", **typed, client_id: SecureRandom.uuid
    kept = file(job).readings_of("replace").last
    committed = Fenbo::Decision::Approval.new(file(job)).committed
    expect([kept.answer.repair.total_cents, kept.verdict]).to match [committed, /repair|replace/]
    get "/jobs/#{job.number}/replace"
    expect(page).to include "a year", "half-price rule"
  end

  it "keeps each amount with its unit on a line of the paper, however long the reasons are" do
    paper = Shared::Paper.new("Quote")
    why = "Bearing worn; fan motion: slow; noise: squeals; turn by hand: gritty; shaft play: rocks"
    paper.table([%w[What Why Amount], ["Motor OS-S4-230-102, Evaporator fan 1", why, "31.98 €"],
      ["In all", "", "12 298.42 €"]], amounts: 2)
    lines = PDF::Reader.new(StringIO.new(paper.render("Quote"))).pages.first.text.lines.map(&:squish)
    expect(lines).to include "What Why Amount", end_with("31.98 €"), "In all 12 298.42 €"
  end

  it "goes out as PDF, CSV and with the job file" do
    make
    answer
    get "/jobs/#{job.number}/quote/1/quote.pdf"
    words = PDF::Reader.new(StringIO.new(page)).pages.map(&:text).join(" ").squeeze(" ")
    expect(words).to include("Quote #{job.number}-1", "Good: what restores cooling", "Bearing worn", "Agreed",
      "B. Aldenrath")
    get "/jobs/#{job.number}/quote/1/lines.csv"
    rows = CSV.parse(page, headers: true)
    expect(rows.sum { |row| row["cents"].to_i }).to eq file(job).quotes.first.options.first["net_cents"]
    value = Fenbo::JobFile.from_json(JSON.parse(JSON.generate(file(job).as_json)))
    expect(value.quotes.first.answer.name).to eq "B. Aldenrath"
  end
end
