# frozen_string_literal: true

require "pdf-reader"
require_relative "app_spec_helper"

# Several faults on one job: each fan has its own decision, part, plate and proof.
RSpec.describe Fenbo::JobFile::Fault, :rolled_back do
  let(:technician) { create(:user) }
  let(:unit) { create(:unit, fans: 3) }
  let(:job) { create(:job, unit:) }
  let(:ec) { Motor.where(family: "ec", phases: 1).where.not(watts: nil).order(:part_no).first }

  before do
    sign_in technician
    get "/jobs/#{job.number}/decide"
  end

  def decide(fan, cause, action)
    send_form "/jobs/#{job.number}/decide", fan:, cause:, action:, reason: "seen", client_id: SecureRandom.uuid
  end

  def choose(fan, motor)
    Logbook.new(Job.find(job.id),
      technician).take(Entries::Part.new(fault: fan, part_no: motor.part_no, grade: "drop_in", checks: []))
  end

  def faults = file(job).faults.to_h { |fault| [fault.fan.key, fault] }

  it "keeps what was decided about each fan, whatever is decided about another" do
    decide("evaporator-2", "bearing_worn", "replace")
    decide("evaporator-3", "contactor_failed", "repair")
    expect(faults.transform_values { |fault| fault.decision.causes }).to eq(
      "evaporator-2" => ["bearing_worn"], "evaporator-3" => ["contactor_failed"]
    )
    decide("evaporator-2", "winding_open", "replace")
    expect(faults["evaporator-3"].decision.causes).to eq ["contactor_failed"]
    expect(faults["evaporator-2"].decision.causes).to eq ["winding_open"]
    get "/jobs/#{job.number}/decide?fan=evaporator-3"
    expect(page).to include "Decided about fan 3: Contactor failed", "2 faults on this job"
  end

  it "takes what one fan does to the box for no sign of another, and says so" do
    send_form "/jobs/#{job.number}/findings", fan: "evaporator-3", test: "box_temperature", outcome: "warm"
    look = -> { get("/jobs/#{job.number}/look?fan=evaporator-3") && page }
    words = "Box temperature “warm” is explained by winding open at evaporator fan 2."
    expect(look.call).not_to include words
    decide("evaporator-2", "winding_open", "replace")
    expect(look.call).to include words
  end

  it "goes on with the fan that was decided about" do
    decide("evaporator-2", "bearing_worn", "replace")
    expect(last_response["location"]).to end_with "/jobs/#{job.number}/match?fan=evaporator-2"
    decide("evaporator-3", "evaporator_dirty", "clean")
    expect(last_response["location"]).to end_with "/jobs/#{job.number}/decide?fan=evaporator-3"
  end

  it "keeps what belongs to the unit apart from the fan at which it was seen" do
    decide("evaporator-2", "bearing_worn", "replace")
    decide("evaporator-2", "evaporator_dirty", "clean")
    decide("evaporator-3", "door_seal_leaking", "replace")
    decide("evaporator-3", "evaporator_dirty", "wait")
    expect(file(job).faults.map { |one| [one.key, one.decision.causes.first, one.decision.action] }).to eq [
      ["evaporator-2.1", "bearing_worn", "replace"], ["unit.1", "evaporator_dirty", "wait"],
      ["unit.2", "door_seal_leaking", "replace"]
    ]
    get "/jobs/#{job.number}/decide?fan=unit.2"
    expect(page).to include "Decided about the unit", "3 faults on this job"
  end

  it "works the motor and the contactor of one fan side by side" do
    decide("evaporator-2", "bearing_worn", "replace")
    send_form "/jobs/#{job.number}/decide", fan: "evaporator-2.1", cause: "contactor_failed", action: "replace",
      reason: "welded", besides: "1", client_id: SecureRandom.uuid
    expect(last_response["location"]).to end_with "/match?fan=evaporator-2"
    choose("evaporator-2.1", ec)
    Logbook.new(Job.find(job.id), technician).take(Entries::Spare.new(fault: "evaporator-2.2",
      part_no: Spare.where(kind: "contactor").first!.part_no, grade: "drop_in", checks: []))
    2.times { choose("evaporator-2.1", ec) }
    expect(file(job).faults.map { |one| [one.key, one.standing, one.part_choice.thing.class] }).to eq [
      ["evaporator-2.1", "chosen", Fenbo::JobFile::CataloguePart],
      ["evaporator-2.2", "chosen", Fenbo::JobFile::CatalogueSpare]
    ]
    expect(file(job).faults.map { |one| Fenbo::WorkPlan::Progress.of(file(job), fault: one.key).task }).to eq %w[
      evaporator_fan_motor contactor
    ]
    Logbook.new(Job.find(job.id), technician).take(Entries::Fitted.new(fault: "evaporator-2.1"))
    expect(file(job).faults.map(&:standing)).to eq %w[fitted chosen]
    expect(Fenbo::JobFile.from_json(JSON.parse(JSON.generate(file(job).as_json))).faults).to eq file(job).faults
  end

  it "takes a decision back with a reason, and what was chosen for it" do
    decide("evaporator-2", "bearing_worn", "replace")
    choose("evaporator-2", ec)
    send_form "/jobs/#{job.number}/decide/withdraw", fan: "evaporator-2.1", taken_back: " "
    expect([status, page]).to match [422, include("Say why it is taken back")]
    send_form "/jobs/#{job.number}/decide/withdraw", fan: "nonsense", taken_back: "It was the guard."
    expect([status, file(job).faults.size]).to eq [404, 1]
    send_form "/jobs/#{job.number}/decide/withdraw", fan: "evaporator-2.1", taken_back: "It was the guard."
    told = file(job)
    expect([told.faults, told.decisions.last.void_reason, told.station]).to eq [[], "It was the guard.", "decide"]
    expect(told).not_to be_done("decide")
    decide("evaporator-2", "mount_loose", "repair")
    expect(file(job).faults.map(&:key)).to eq ["evaporator-2.1"]
  end

  it "gives what is decided after a repair that did not prove a plan and a part of its own" do
    decide("evaporator-2", "bearing_worn", "replace")
    choose("evaporator-2", ec)
    WorkStep.create!(job:, fan_position: unit.position("evaporator-2"), fault: "evaporator-2.1",
      task: "evaporator_fan_motor", step: "guard_off", user: technician, done_at: Time.now, fasteners: 4)
    Logbook.new(Job.find(job.id), technician).take(Entries::Fitted.new(fault: "evaporator-2"))
    Decision.last.void(technician, Fenbo::JobFile::NOT_PROVED)
    expect(Fenbo::WorkPlan::Progress.of(file(job), fault: "evaporator-2").done_count).to eq 0
    decide("evaporator-2", "contactor_failed", "replace")
    first, second = file(job).faults
    expect([first.key, first.standing, first.worked_on?, second.key, second.worked_on?]).to eq(
      ["evaporator-2.1", "fitted", false, "evaporator-2.2", true]
    )
    get "/jobs/#{job.number}/report"
    expect(page).to include "The repair alone did not prove", "Evaporator fan 2, motor: 1 of", "Still to be proved"
  end

  it "orders the part of the fan that is looked at" do
    choose("evaporator-2", Motor.find_by!(part_no: "BR-S12-230-R"))
    get "/jobs/#{job.number}/source?fan=evaporator-2"
    form = page[%r{<form[^>]*action="/jobs/#{job.number}/source".*?</form>}m]
    fields = form.scan(/name="(\w+)" value="([^"]*)"/).to_h
    send_form "/jobs/#{job.number}/source", **fields.transform_keys(&:to_sym).except(:authenticity_token)
    expect(status).to eq 303
    expect(faults["evaporator-2"].standing).to eq "ordered"
  end

  it "is countersigned fan by fan, and closed only with all of them" do
    apprentice = create(:user, role: "apprentice")
    sign_in apprentice
    get "/jobs/#{job.number}/decide"
    decide("evaporator-2", "bearing_worn", "replace")
    decide("evaporator-3", "contactor_failed", "repair")
    closing = ->(by = apprentice) { Entries::Close.new.against(Logbook.new(Job.find(job.id), by)) }
    expect([apprentice, technician].map(&closing)).to all match [:close, /countersign/]
    sign_in technician
    get "/jobs/#{job.number}/hand_over"
    expect(page).to include "Not countersigned yet", "To Decide, Evaporator fan 2", "To Decide, Evaporator fan 3"
    get "/jobs/#{job.number}/decide?fan=evaporator-3"
    send_form "/jobs/#{job.number}/decide/countersign", fan: "evaporator-3"
    expect(faults.transform_values { |fault| fault.decision.awaits_countersign? }).to eq(
      "evaporator-2" => true, "evaporator-3" => false
    )
    expect(closing.call).to match [:close, /countersign/]
    send_form "/jobs/#{job.number}/decide/countersign", fan: "evaporator-2"
    expect(closing.call).to eq [:close, "Have it signed first, or note why nobody signs."]
    get "/jobs/#{job.number}/hand_over"
    expect(page).not_to include "Not countersigned yet"
  end

  it "chooses a part for each fan, and says fitted only of what was confirmed" do
    decide("evaporator-2", "bearing_worn", "replace")
    plain = Motor.find_by!(part_no: "BR-S12-230-R")
    choose("evaporator-2", ec)
    choose("evaporator-3", plain)
    expect(faults.transform_values { |fault| [fault.part_choice.motor.part_no, fault.standing] }).to eq(
      "evaporator-2" => [ec.part_no, "chosen"], "evaporator-3" => [plain.part_no, "chosen"]
    )
    get "/jobs/#{job.number}/report"
    expect(page).to include "#{ec.part_no} chosen, not ordered yet"
    expect(page).not_to include "#{ec.part_no} fitted"
    get "/jobs/#{job.number}/prove?fan=evaporator-2"
    2.times { send_form "/jobs/#{job.number}/prove/fitted", fan: "evaporator-2" }
    expect(faults["evaporator-2"].standing).to eq "fitted"
    expect(faults["evaporator-3"].standing).to eq "chosen"
    position = unit.position("evaporator-2")
    expect(position.fitted_motors.map { |one|
      [one.part_no, one.removed_on.nil?]
    }).to eq [["BR-S12-230-L", false], [ec.part_no, true]]
    pdf = PDF::Reader.new(StringIO.new(get("/jobs/#{job.number}/report.pdf").body)).pages.map(&:text).join
    expect(pdf).to match(/#{ec.part_no} fitted .* by #{technician.name}/)
  end

  it "shows of a fan with a new motor what was seen since" do
    %w[evaporator-2 evaporator-3].each do |fan|
      decide(fan, "bearing_worn", "replace")
      choose(fan, ec)
      Finding.create!(client_id: SecureRandom.uuid, job:, user: technician, fan_position: unit.position(fan),
        test: "noise", outcome: "grinding", taken_at: Time.now - 60)
    end
    get "/jobs/#{job.number}/prove?fan=evaporator-2"
    send_form "/jobs/#{job.number}/prove/fitted", fan: "evaporator-2"
    leaders = -> { get("/jobs/#{job.number}/prove").body.scan(%r{class="leader".*?<span>(.*?)</span>}m).flatten }
    expect(leaders.call.drop(1)).to match ["new motor", /grinds/]
    Finding.create!(client_id: SecureRandom.uuid, job:, user: technician, fan_position: unit.position("evaporator-2"),
      test: "noise", outcome: "quiet_normal", taken_at: Time.now + 60)
    expect(leaders.call[1]).to eq "new motor · quiet"
    expect(get("/jobs/#{job.number}/report").body).to match(/<b>2<.b>\s*<span>grinds</)
  end

  it "judges the first reading after the work by the new plate, in watts where it is EC" do
    decide("evaporator-1", "winding_open", "replace")
    choose("evaporator-1", ec)
    get "/jobs/#{job.number}/prove?fan=evaporator-1"
    send_form "/jobs/#{job.number}/prove/readings", fan: "evaporator-1", tool: "amps", amps: "0.55",
      watts: (ec.watts * 0.9).round(1).to_s, turning: "yes", client_id: SecureRandom.uuid
    reading = file(job).readings_of("amps", phase: "after").last
    expect(reading).to have_attributes(verdict: "within", fan: "evaporator-1")
    expect(reading.question["motor"]).to include("family" => "ec", "nameplate_watts" => ec.watts)
    expect(Fenbo::Proof::Checklist.new(file(job)).missing.grep(/Amps/)).to be_empty
  end

  it "is proved when every fan that was worked on is, and says which is missing and how to tell" do
    decide("evaporator-1", "bearing_worn", "replace")
    decide("evaporator-2", "evaporator_dirty", "wait")
    decide("evaporator-3", "blade_rubbing", "repair")
    missing = -> { Fenbo::Proof::Checklist.new(file(job)).missing.grep(/Amps/) }
    expect(missing.call).to eq ["Amps after the work of fan 1, inside the window",
      "Amps after the work of fan 3, inside the window"]
    read = ->(fan, amps, **meter) do
      technician.update!(meter: meter.transform_keys(&:to_s))
      get "/jobs/#{job.number}/prove?fan=#{fan}"
      send_form "/jobs/#{job.number}/prove/readings", fan:, tool: "amps", amps:, turning: "yes",
        client_id: SecureRandom.uuid
    end
    read["evaporator-1", "0.40"]
    read["evaporator-3", "0.35", percent: 2, counts: 5, resolution: 0.01]
    expect(missing.call).to match [/of fan 3, inside the window: wrap \d+ turns and read again/]
  end

  it "goes out and comes back with its job file" do
    decide("evaporator-2", "bearing_worn", "replace")
    choose("evaporator-2", ec)
    Logbook.new(Job.find(job.id), technician).take(Entries::Fitted.new(fault: "evaporator-2"))
    whole = file(job)
    expect(Fenbo::JobFile.from_json(JSON.parse(JSON.generate(whole.as_json)))).to eq whole
    expect(whole.part_choices.last).to have_attributes(fan: "evaporator-2",
      fitted_by: have_attributes(name: technician.name))
  end
end
