# frozen_string_literal: true

# Job files made in a spec, entry by entry: only what it is about is said.
#
#   job = made_job(findings: [found("noise", "grinding", fan: "evaporator-2")])
module MadeJobs
  NOON = Time.utc(2031, 3, 4, 12)
  F = Fenbo::JobFile

  def at(minutes) = NOON + minutes * 60

  def person(name = "Ilka Brenn", role: "technician")
    F::Person.new(uid: name, name:, role:)
  end

  def made_motor(**changes)
    F::Motor.new(
      uid: "motor", part_no: "BR-S12-230-L", family: "shaded_pole", volts: [230.0], hertz: [50.0], phases: 1,
      amps: [0.43], watts: 60.0, rpm: 1300.0, rotation: "ccw", integral_blade: false,
      installed_on: Date.new(2026, 3, 4),
      **changes
    )
  end

  def made_fan(key, **changes)
    side, number = key.split("-")
    F::Fan.new(side:, number: Integer(number), motors: [made_motor(uid: "motor of #{key}")], **changes)
  end

  def made_site
    F::Site.new(uid: "site", name: "Weir lane",
      customer: F::Customer.new(uid: "customer", name: "Weir lane dairy", overtime_allowed: false))
  end

  def made_unit(fans: %w[evaporator-1 evaporator-2], **changes)
    F::Unit.new(
      uid: "unit", name: "Milk room", family: "walk_in_cooler", flammable: false, supply_volts: 230.0, supply_phases: 1,
      supply_hertz: 50.0, setpoint_c: 3.0, wet: true, belt: false, features: {}, site: made_site,
      fans: fans.map { |one| one.is_a?(String) ? made_fan(one) : one }, **changes
    )
  end

  def made_job(unit: made_unit, **changes)
    F::Job.new(
      version: F::VERSION, uid: "job", number: 7, unit:, fan: "evaporator-1", complaint: "A fan has stopped.",
      recent_work: false, status: "open", station: "look", opened_at: NOON, state: "L", **changes
    )
  end

  def entry(id, minutes, fan, **taken_back)
    {id:, fan:, by: person, taken_at: at(minutes), **taken_back}
  end

  def found(test, outcome, fan: "evaporator-1", minutes: 1, **changes)
    F::Finding.new(**entry("#{test} #{minutes}", minutes, fan), test:, outcome:, **changes)
  end

  def read(kind, verdict, fan: "evaporator-1", minutes: 1, phase: "before", **changes)
    F::Reading.new(
      **entry("#{kind} #{minutes}", minutes, fan), kind:, phase:, verdict:, typed: {}, question: {}, result: {},
      **changes
    )
  end

  # What the core itself says to a question, as a reading.
  def asked(kind, question, fan: "evaporator-1", minutes: 1, phase: "before", typed: {})
    told = Fenbo::Tools.call(kind, question)
    raise ArgumentError, told.faults.inspect if told.is_a?(Fenbo::Refusal)
    answer = Fenbo::Json.plain(told.as_json)
    read(kind, answer["verdict"], fan:, minutes:, phase:, typed:, question:, result: answer)
  end

  def decided(*causes, fault: "evaporator-1.1", action: "replace", minutes: 10, **changes)
    F::Decision.new(
      **entry("decision #{fault} #{minutes}", minutes, fault[F::Faults::KEY, 1].then { |key|
        key unless key == "unit"
      }),
      causes:, proposed: causes.first, action:, standing: {}, fault:, **changes
    )
  end

  def disproved(decision, minutes: 60)
    decision.with(voided_at: at(minutes), voided_by: person, void_reason: F::NOT_PROVED)
  end

  def made_part(part_no = "BR-S12-230-L", **changes)
    F::CataloguePart.new(part_no:, family: "shaded_pole", volts: [230.0], hertz: [50.0], amps: [0.45],
      integral_blade: false, **changes)
  end

  def chosen(fault: "evaporator-1.1", minutes: 20, motor: made_part, **changes)
    F::PartChoice.new(uid: "choice of #{fault} #{minutes}", by: person, fan: fault[F::Faults::KEY, 1], fault:,
      chosen_at: at(minutes), motor:, checks: [], **changes)
  end

  def stepped(step, fault: "evaporator-1.1", task: "motor", minutes: 30, **changes)
    F::StepDone.new(step:, fault:, task:, by: person, done_at: at(minutes), **changes)
  end
end

RSpec.configure { |config| config.include MadeJobs, :made_jobs }
