# frozen_string_literal: true

require_relative "app_spec_helper"

# The refrigerant ledger: licensed people move it, cylinders are never mixed, leaks stay open
# until somebody saw that they hold, and everything goes out as CSV and with the job file.
RSpec.describe Circuits, :rolled_back do
  let(:licensed) { create(:user, licensed: true, licence: "K-77") }
  let(:unit) { create(:unit, refrigerant: "R-448A") }
  let(:job) { create(:job, unit:) }
  let(:circuit) { Circuit.create!(unit:, name: "Circuit 1", refrigerant: "R-448A", full_charge_kg: 40) }

  def path(rest = "") = "/jobs/#{job.number}/refrigerant#{rest}"

  def visit_as(user)
    sign_in user
    circuit
    get path
  end

  def move(**fields)
    send_form path("/moves"), circuit: circuit.uid, client_id: SecureRandom.uuid, kind: "added",
      cylinder: "c-12", before: "30", after: "22", fans_running: "2", ambient: "24", sight_glass: "clear",
      on: Date.today.iso8601, **fields
  end

  def sought(**fields)
    send_form path("/leaks"), circuit: circuit.uid, client_id: SecureRandom.uuid, how: "bubbles",
      place: "flare at the coil", found: "1", done: "tightened", **fields
  end

  def ledger = file(job).unit.circuits.first

  it "lets licensed people alone move refrigerant, and says who they are" do
    visit_as create(:user)
    expect(page).to include "licensed people only"
    move
    expect([status, ledger.moves]).to eq [403, []]
    sign_in create(:user, role: "office")
    get "/settings"
    send_form "/settings/people/#{licensed.id}/licence", licence: ""
    expect(licensed.reload.licensed).to be false
    send_form "/settings/people/#{licensed.id}/licence", licence: "K-78"
    expect(licensed.reload.licence).to eq "K-78"
  end

  it "keeps a move once, judges the rate and the charge, and asks where the missing weight went" do
    visit_as licensed
    twice = SecureRandom.uuid
    2.times { move client_id: twice }
    expect(ledger.moves.map { |one| [one.cylinder, one.kg, one.by.name] }).to eq [["C-12", 8.0, licensed.name]]
    get path
    expect(page).to include "20 % a year", "The last charge: judged fairly"
    move before: "21", after: "20", fans_running: "1", sight_glass: "flashing"
    get path
    expect(page).to include "Cylinder C-12 weighed 1 kg less", "not to be judged yet", "1 of 2 fans run"
  end

  it "notes a circuit and changes it, in the reader's units, and names what is wrong with it" do
    note = ->(**fields) {
      send_form path("/circuits"), name: "Circuit 2", refrigerant: "R-448A", full_charge: "12,5", **fields
      status
    }
    visit_as licensed
    expect([note[name: " ", full_charge: "a lot"], page]).to match [422, include("Please give a name.", "a lot")]
    expect([note[full_charge: "900000"], page]).to match [422, include("cannot be right for a weight")]
    expect([note[full_charge: "0"], note[name: "Circuit 1"]]).to eq [422, 422]
    expect(unit.circuits.count).to eq 1
    licensed.update!(unit_system: "us")
    expect(note[full_charge: "10 lb"]).to eq 303
    second = unit.circuits.reload.find_by!(name: "Circuit 2")
    expect(second.full_charge_kg).to be_within(0.01).of(4.54)
    get path
    # What the page shows of it, 10 lb, is still what was typed.
    expect(page).to include("Change Circuit 2", 'value="10"')
    expect { note[uid: second.uid, full_charge: "10"] }.not_to(change { second.reload.full_charge_kg })
    expect([note[uid: second.uid, full_charge: "much"], page]).to match [422, include("Change Circuit 2", "much")]
    expect(note[uid: second.uid, name: "Low side", full_charge: "6 kg"]).to eq 303
    expect(second.reload).to have_attributes(name: "Low side", full_charge_kg: 6.0)
    others = Circuit.create!(unit: create(:unit), name: "Elsewhere", refrigerant: "R-448A", full_charge_kg: 4)
    expect([note[uid: others.uid], others.reload.name]).to eq [404, "Elsewhere"]
    sign_in create(:user)
    get path
    expect(note[]).to eq 403
  end

  it "refuses what cannot be, at its field, with what was typed" do
    visit_as licensed
    move before: "22", after: "30", note: "top up"
    expect([status, page]).to match [422, include("is heavier than before", "top up")]
    move on: (Date.today + 2).iso8601
    expect([status, page]).to match [422, include("still to come")]
    Cylinder.create!(label: "X-1", refrigerant: "R-290")
    move cylinder: " x-1 "
    expect([status, page]).to match [422, include("X-1 holds R-290, this circuit R-448A")]
    move cylinder: "", kind: "sold", before: "a lot"
    expect([status, page]).to match [422, include("Which cylinder?", "Added or recovered?", "is not understood")]
    expect(ledger.moves).to eq []
  end

  it "keeps a leak open, on later jobs too, until somebody saw that it holds" do
    visit_as create(:user)
    sought place: ""
    expect([status, page]).to match [422, include("Where was it sought?")]
    sought
    later = create(:job, unit:)
    get "/jobs/#{later.number}/report"
    expect(page).to include "found at flare at the coil, tightened. Open still"
    get "/jobs/#{later.number}/refrigerant"
    check = "/jobs/#{later.number}/refrigerant/leaks/#{ledger.leaks.first.id}/checks"
    send_form check, tight: "0", how: "detector", on: Date.today.iso8601
    expect(ledger.open_leaks.size).to eq 1
    send_form check, tight: "1", how: "detector", on: (Date.today - 3).iso8601
    expect([status, page]).to match [422, include("before the leak was found")]
    send_form check, tight: "1", how: "detector", on: Date.today.iso8601
    expect([ledger.open_leaks, ledger.leaks.first.checks.map(&:tight)]).to eq [[], [false, true]]
  end

  it "strikes out and never erases, for those who may" do
    visit_as licensed
    move
    gone = ledger.moves.first.id
    sign_in create(:user)
    get path
    send_form path("/moves/#{gone}/void"), reason: "typo"
    expect(status).to eq 403
    sign_in licensed
    get path
    send_form path("/moves/#{gone}/void"), reason: "typo"
    expect([ledger.moves.first.void_reason, ledger.live_moves]).to eq ["typo", []]
    job.update!(status: "closed")
    move
    expect([status, ledger.moves.size]).to eq [422, 1]
  end

  it "goes out as CSV and with the job file, and comes in with it" do
    visit_as licensed
    move
    sought found: "0"
    get path(".csv")
    rows = CSV.parse(page, headers: true)
    expect(rows.map { |row| row.values_at("what", "kg", "found", "licence") }).to eq [
      ["added", "8", nil, "K-77"], ["leak search", nil, "false", "K-77"]
    ]
    value = Fenbo::JobFile.from_json(JSON.parse(JSON.generate(file(job).as_json)))
    expect(value.unit.circuits.first.live_moves.first.kg).to eq 8.0
    elsewhere = JSON.parse(JSON.generate(value.as_json).gsub(/\h{8}-\h{4}-\h{4}-\h{4}-\h{12}/) { |id|
      id.tr("0-9a-f", "1-9a-f0")
    })
    number = JobImport.new(Fenbo::JobFile.from_json(elsewhere), {}).run.number
    brought = JobSource.numbered(number).unit.circuits.first
    expect([brought.live_moves.map(&:kg), brought.live_leaks.map(&:place)]).to eq [[8.0], ["flare at the coil"]]
  end

  it "asks about a cylinder by the shop's own scale" do
    book = Logbook.new(job, licensed)
    entry = ->(before) {
      Entries::RefrigerantMoved.new(id: SecureRandom.uuid, circuit: circuit.uid, on: Date.today, kind: "added",
        cylinder: "C-1", before_kg: before, after_kg: before - 1)
    }
    book.take(entry[20.0])
    expect(entry[18.7].gap(book)).to eq(-0.3)
    Setting.write("limits", {"refrigerant.cylinder_gap" => 0.5})
    expect(entry[18.7].gap(Logbook.new(job, licensed))).to be_nil
  end
end
