# frozen_string_literal: true

require_relative "app_spec_helper"
require_relative "plan_worked"

# Station Work: a plan a fan and task, the gate, the count, what was otherwise, the record
# of a cleaning.
RSpec.describe Stations::WorkPlan, :rolled_back do
  include_context "a plan worked"

  it "says by hand what needs no plan, and leads on to Prove" do
    Logbook.new(Job.find(job.id), technician).take(Entries::Decision.new(id: SecureRandom.uuid, fault: "evaporator-1",
      causes: ["blade_iced"], proposed: "blade_iced", action_taken: "repair", standing: {}))
    get "/jobs/#{job.number}/fit?fan=evaporator-1"
    expect(page).to include "No plan for this", "Warm the ice off", "Ice may hold the blade", "To Prove"
    expect(page).not_to include "to go, about"
    expect(job.reload.station).to eq "fit"
    get "/jobs/#{job.number}/fit?fan=evaporator-1&task=fan_blade"
    expect(page).to include "to go, about"
  end

  it "asks for the count as they come out, and for a word where none does" do
    make_safe
    tick("guard_off", fasteners: "0")
    expect([status, page]).to match [422, include("Tap each one into the tray")]
    tick("guard_off", fasteners: "0", note: "Held by clips here")
    expect(status).to eq 303
  end

  it "stays at a step whose measure is not as it should be, and says by how much" do
    make_safe
    work(stop: "blade_depth")
    tick("blade_depth", measured: "17")
    seat = plan.steps.find { |one| one.measure&.fetch("what", nil) == "new_seat" }.id
    work(stop: seat)
    tick(seat, measured: "21", fasteners: "4")
    expect(last_response.location).to end_with "&step=#{seat}"
    follow_redirect!
    expect(page).to include "The old one sat at", "Set 4 mm farther out: look whether it still clears."
    tick(seat, measured: "17.2", fasteners: "4")
    expect(last_response.location).not_to include "&step="
  end

  context "with a run capacitor" do
    let(:job) { create(:job, unit: Unit.find_by!(name: "Dairy roof")) }

    it "says what the plate asks for, and that another one is not it" do
      work(stop: "capacitor_new")
      get "/jobs/#{job.number}/fit"
      expect(page).to match %r{The plate asks for\s+<b class="figure">5 µF</b>}
      tick("capacitor_new", measured: "17")
      follow_redirect!
      expect(page).to include "17 µF for 5 µF: not this one."
      tick("capacitor_new", measured: "4,9")
      expect(last_response.location).not_to include "&step="
    end
  end

  it "sees along the plan what Prove would ask, and proposes the words of the report" do
    motor = Motor.where.not(price_cents: nil).first
    PartChoice.create!(job:, motor:, user: technician, fan_position: job.unit.position("evaporator-1"))
    visit = Visit.create!(job:, technician:, starts_at: 2.days.from_now, purpose: Visit::FOR_PART)
    work
    proof = Fenbo::Proof::Checklist.new(file(job))
    expect([proof.done?("nothing_inside"), proof.done?("covers_on")]).to eq [true, false]
    expect(Visit.exists?(visit.id)).to be false
    get "/jobs/#{job.number}/prove"
    expect(page).to include "along the work plan"
    send_form "/jobs/#{job.number}/prove/temperatures", arrival: "9", leaving: "4"
    send_form "/jobs/#{job.number}/decide", fan: "evaporator-1", cause: "bearing_worn", action: "replace",
      reason: "heard it", client_id: SecureRandom.uuid
    get "/jobs/#{job.number}/hand_over"
    expect(page).to include "bearing worn. Motor #{motor.part_no} fitted", "The box stood at 4 °C on leaving."
    expect(page).not_to include "still over its limit"
    send_form "/jobs/#{job.number}/clock", now: "9", client_id: SecureRandom.uuid
    job.reload.update!(product_limit_c: 8)
    get "/jobs/#{job.number}/hand_over"
    expect(page).to include("The box is still over its limit").and(include("1 K over"))
  end

  it "holds the safety gate shut until all three points of the proof are ticked" do
    tick("guard_off", fasteners: "4")
    expect([status, page]).to match [422, include("safety gate comes first")]
    make_safe(proof: [])
    tick("proved_dead", proof: %w[0 2])
    expect([status, page]).to match [422, include("All 3 points")]
    tick("proved_dead", skipped: "1", note: "In a hurry")
    expect(status).to eq 422
    make_safe
    expect([plan.safe?, file(job).state]).to eq [true, "D"]
  end

  it "counts fasteners back to nothing, or asks why not" do
    make_safe
    tick("guard_off", fasteners: "four")
    expect([status, page]).to match [422, include("A whole number").and(include(%(value="four")))]
    tick("guard_off", fasteners: "4")
    expect([plan.tray.out, plan.tray.parked.map(&:removes)]).to eq [4, ["fan guard"]]
    tick("guard_off_back", fasteners: "3")
    expect([status, page]).to match [422, include("4 came out, 3 went back")]
    tick("guard_off_back", fasteners: "3", note: "One sheared, replaced by a new one of the same size")
    expect([status, plan.tray.out]).to eq [303, 1]
    get "/jobs/#{job.number}/report"
    expect(page).to include "One sheared"
    tick("blade_depth", measured: "3/4 in")
    expect(job.work_steps.find_by(step: "blade_depth").measured).to be_within(1e-6).of(19.05)
  end

  it "leaves a step out only with a reason" do
    make_safe
    tick("wiring_photo", skipped: "1")
    expect([status, page]).to match [422, include("Say why it is left out")]
    tick("wiring_photo", skipped: "1", note: "Camera broken, drawn by hand")
    expect(plan.done(plan.step("wiring_photo"))).to be_skipped
  end

  it "lets power on only when all is counted back and the locks are off" do
    make_safe
    tick("power_on")
    expect([status, page]).to match [422, include("First: ")]
    work(stop: "locks_off")
    tick("power_on")
    expect([status, page]).to match [422, include("Locks and tags taken off")]
    tick("locks_off")
    tick("power_on")
    expect([status, file(job).state]).to eq [303, "P"]
  end

  # Every family as its technician would work it, on the screens, to the last screw.
  Fenbo::WorkPlan::Plan.families.each_with_index do |family, index|
    it "is worked through for the motor of a #{family.tr("_", " ")}, by two people", slow: index.positive? do
      side = Fenbo::Knowledge.table("families")[family]["sides"].first
      job.unit.update!(family:, features: {"known" => true})
      job.unit.fan_positions.each { |fan| fan.update!(side:) }
      get "/jobs/#{job.number}/fit"
      work(stop: "blade_depth")
      sign_in create(:user)
      get "/jobs/#{job.number}/fit"
      work
      expect([plan.finished?, plan.tray.out, plan.tray.parked]).to eq [true, 0, []]
      get "/jobs/#{job.number}/fit"
      expect(page).to include("Everything is done: prove it.")
      expect(page.include?("Everything that came out is back.")).to eq plan.tray.places.any?
      expect(file(job)).to have_attributes(state: "P", station: "prove")
    end
  end

  it "asks for the proof of dead again on another day, and keeps what was ticked" do
    make_safe
    tick("guard_off", fasteners: "4")
    job.work_steps.update_all(done_at: 20.hours.ago)
    get "/jobs/#{job.number}/fit"
    expect(page).to include("too long ago")
    tick("blade_depth", measured: "17")
    expect(status).to eq 422
    sign_in create(:user)
    get "/jobs/#{job.number}/fit"
    make_safe
    tick("blade_depth", measured: "17")
    expect([status, plan.tray.out, AuditEntry.where(action: "ticked again").count]).to eq [303, 4, 3]
  end

  it "keeps the plans of two fans and of two tasks apart" do
    make_safe(fan: "evaporator-1")
    tick("guard_off", fan: "evaporator-1", fasteners: "4")
    expect([plan(fault: "evaporator-1").tray.out, plan(fault: "evaporator-2").done_count]).to eq [4, 0]
    make_safe(fan: "evaporator-2", task: "cleaning")
    expect(plan(fault: "evaporator-2", task: "cleaning").safe?).to be true
    expect(plan(fault: "evaporator-2").done_count).to eq 0
    tick("guard_off", fan: "evaporator-1", fasteners: "4")
    send_form("/jobs/#{job.number}/fit/steps/guard_off/undo", fan: "evaporator-1")
    expect(plan(fault: "evaporator-1").tray.out).to eq 0
  end

  it "shows the photo of a step again where the wires go back" do
    make_safe
    send_form "/jobs/#{job.number}/photos", photo: picture, station: "fit", step: "connector_off"
    get "/jobs/#{job.number}/fit?step=connector_off_back"
    expect(page).to include("/photos/#{job.photos.reload.first.client_id}")
  end

  it "asks how the unit is before the plan is shown, and remembers what it is told" do
    job.unit.update!(features: {})
    get "/jobs/#{job.number}/fit"
    expect(page).to include("How is the hub held on the shaft?")
    send_form "/jobs/#{job.number}/fit/features", hub: "nut", mount: "glue"
    expect(job.unit.reload.features).to include("hub" => "nut", "mount" => "ring")
    expect(plan.step("blade_off_nut")).not_to be_nil
    job.unit.update!(features: {"hub" => "welded", "gone" => true})
    expect(plan.answers.at("hub")).to eq "set_screw"
  end

  it "prints every step with its box" do
    get "/jobs/#{job.number}/fit/print?task=cleaning&paper=letter"
    expect(page).to include "on-letter"
    get "/jobs/#{job.number}/fit/print?task=cleaning"
    expect(page.scan(%(class="box")).size).to be >= plan(task: "cleaning").steps.size
  end

  describe "a cleaning" do
    def clean(**fields)
      send_form("/jobs/#{job.number}/fit/cleaning", fan: "evaporator-1", task: "cleaning",
        parts: %w[coil blade], before: "3", after: "0", method: "foam", **fields)
    end

    it "is kept with what, how and the levels, and named at its field where it is wrong" do
      clean(parts: [], before: "9")
      expect([status, page]).to match [422, include("Say what was cleaned").and(include("Choose a level"))]
      clean
      kept = file(job).readings_of("cleaning").last
      expect(kept).to have_attributes(verdict: "clean", fan: "evaporator-1", phase: "after")
      get "/jobs/#{job.number}/report"
      expect(page).to include("Cleaning")
    end

    it "knows a unit that keeps getting dirty" do
      [150, 70].each do |days|
        earlier = create(:job, unit: job.unit, status: "closed")
        Reading.create!(job: earlier, user: technician, fan_position: job.unit.position("evaporator-1"),
          kind: "cleaning", phase: "after", client_id: SecureRandom.uuid, taken_at: days.days.ago, verdict: "clean",
          typed: {}, question: {parts: %w[coil], before: 3, after: 0}, result: {})
      end
      clean
      kept = file(job).readings_of("cleaning").last
      expect(kept.answer).to have_attributes(repeat_offender: true, interval_days: 56)
      get "/jobs/#{job.number}/fit?fan=evaporator-1&task=cleaning"
      expect(page).to include("repeat offender, better every 8 weeks")
    end
  end
end
