# frozen_string_literal: true

require_relative "plan_worked"

# What is wrong at one fan done in one opening, or by itself; what other fans have to do with it.
RSpec.describe Fenbo::WorkPlan::Opening, :rolled_back do
  include_context "a plan worked"

  def decide_for(fault, *causes, action: "replace")
    take = Entries::Decision.new(id: SecureRandom.uuid, fault:, besides: fault.end_with?("2"), causes:,
      proposed: causes.first, probability: 0.9, action_taken: action, override_reason: nil, standing: {})
    Logbook.new(job.reload, technician).take(take)
  end

  it "does what was decided along with the first cause in the same opening, where nobody does it by itself" do
    decide_for("evaporator-1.1", "bearing_worn", "evaporator_dirty")
    get "/jobs/#{job.number}/decide"
    expect(page).to include "Replace the motor", "Evaporator dirty, too", "Clean the coil through"
    get "/jobs/#{job.number}/fit/print"
    expect(page).to include("Motor and cleaning", "Foaming cleaner")
    get "/jobs/#{job.number}/fit?task=cleaning"
    expect(page).to include("Motor and cleaning", "One opening for both", "Record of the cleaning", "Do it by itself")
    work
    expect([plan.joined, plan.finished?, file(job).done?("fit")])
      .to eq [%w[evaporator_fan_motor cleaning], true, true]
    get "/jobs/#{job.number}/fit"
    expect(page).to include "Everything is done: prove it."
  end

  it "takes the amps at the step that reads them, for Prove to go by, and says when its work was done" do
    decide_for("evaporator-1.1", "evaporator_dirty", action: "clean")
    work(stop: "air_again")
    here = {fan: plan.fault.key, task: "cleaning"}
    read = ->(amps) {
      send_form "/jobs/#{job.number}/fit/steps/air_again/readings", **here, amps:, turning: "yes",
        client_id: SecureRandom.uuid
    }
    read["much"]
    expect([status, page]).to match [422, a_string_including("Amps of fan 1", "is not understood", "much")]
    read["0.35"]
    get last_response.location
    expect(page).to include("Clamp kept: within.", "Read again", "Air at the outlet")
    get "/jobs/#{job.number}/prove"
    expect(page).not_to include "Evaporator dirty, clean. Done"
    expect(file(job).readings_of("amps", phase: "after", fan: "evaporator-1").map(&:verdict)).to eq ["within"]
    tick("air_again", **here, measured: "-2")
    get "/jobs/#{job.number}/prove"
    expect(page).to match(/Evaporator dirty, clean. Done .* by #{technician.name}/)
  end

  it "leads on to what is done by itself before the work counts as done" do
    decide_for("evaporator-1.1", "bearing_worn", "evaporator_dirty")
    get "/jobs/#{job.number}/fit?task=cleaning&alone=1"
    expect(page).not_to include "Motor and cleaning"
    tick("fans_locked", task: "cleaning")
    %w[cleaning evaporator_fan_motor].each do |task|
      get "/jobs/#{job.number}/fit?task=#{task}"
      expect(page).not_to include "One opening"
    end
    work
    expect([plan.finished?, file(job).done?("fit")]).to eq [true, false]
    get "/jobs/#{job.number}/fit"
    expect(page).to include "Done. Evaporator dirty too: clean the coil through", "task=cleaning\">Cleaning</a>"
    job.reload.update!(status: "closed", closed_at: Time.now)
    get "/jobs/#{job.number}/fit"
    expect(page).not_to include "Evaporator dirty too", "decide it as a fault of its own"
    job.update!(status: "open", closed_at: nil)
    work(task: "cleaning")
    expect(file(job).done?("fit")).to be true
  end

  it "puts in both parts of two faults at one fan, and Prove asks neither again what was seen" do
    decide_for("evaporator-1.1", "bearing_worn")
    decide_for("evaporator-1.2", "connection_burnt", action: "repair")
    {"1" => {motor: Motor.first}, "2" => {spare: Spare.find_by!(kind: "connector")}}.each do |number, thing|
      PartChoice.create!(job:, user: technician, fan_position: job.unit.position("evaporator-1"),
        fault: "evaporator-1.#{number}", **thing)
    end
    get "/jobs/#{job.number}/fit?fan=evaporator-1.2"
    expect(page).to include("Motor and connector", Motor.first.part_no, Spare.find_by!(kind: "connector").part_no)
    work(fault: "evaporator-1.1")
    expect(file(job).faults.map { |fault| [fault.key, fault.part_choice.fitted?] })
      .to eq [["evaporator-1.1", true], ["evaporator-1.2", true]]
    expect(Fenbo::Proof::Checklist.new(file(job)).done?("nothing_inside")).to be true
  end

  it "keeps the power off while another fan of the unit is apart, and asks to be made safe anew once it was on" do
    other = job.unit.position("evaporator-2")
    %w[fans_locked guard_off].each do |step|
      WorkStep.create!(job:, fan_position: other, fault: "evaporator-2.1", task: "evaporator_fan_motor", step:,
        user: technician, done_at: Time.now, fasteners: (4 if step == "guard_off"))
    end
    work(stop: "locks_off")
    tick("locks_off")
    expect([status, page]).to match [422, include("Evaporator fan 2 is apart")]
    get "/jobs/#{job.number}/fit"
    expect(page).to include("what came off at evaporator fan 2 goes back").and(include("Go there"))
    tick("guard_off_back", fan: "evaporator-2.1", task: "evaporator_fan_motor", fasteners: "4")
    expect([status, page]).to match [422, include("safety gate comes first")]
    make_safe(fan: "evaporator-2.1", task: "evaporator_fan_motor")
    tick("guard_off_back", fan: "evaporator-2.1", task: "evaporator_fan_motor", fasteners: "4")
    work
    get "/jobs/#{job.number}/fit?fan=evaporator-2.1&task=evaporator_fan_motor&step=proved_dead"
    expect(page).to include "The power was on since"
  end

  it "leads from the list of tasks to the plan of whichever fault asks for it, and opens on nothing strange" do
    decide_for("evaporator-1.1", "bearing_worn")
    Logbook.new(job.reload, technician).take(Entries::Decision.new(id: SecureRandom.uuid, fault: "evaporator-1",
      besides: true, causes: ["evaporator_dirty"], proposed: "evaporator_dirty", action_taken: "clean", standing: {}))
    get "/jobs/#{job.number}/fit?fan=evaporator-1.1"
    expect(page).to include("Motor and cleaning").and(include("fan=unit.1&amp;task=cleaning\""))
    ["fan=unit.9", "fan=evaporator-1.7&alone=1", "task=nonsense&alone=1", "task=cleaning&alone=1&step=nonsense",
      "alone[]=1", "fan=evaporator-1.1&task=conversion_kit"].each do |query|
      get "/jobs/#{job.number}/fit?#{query}"
      expect([query, [200, 404].include?(status)]).to eq [query, true]
    end
    job.reload.update!(status: "closed", closed_at: Time.now)
    get "/jobs/#{job.number}/fit?fan=evaporator-1.1"
    expect(page).not_to include "Do it by itself"
    tick("fans_locked", task: "cleaning")
    expect([status, WorkStep.where(job:).count, page]).to match [422, 0, include("closed")]
  end
end
