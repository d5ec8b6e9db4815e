# frozen_string_literal: true

# What the steps of a work plan make of the job file: ticks, how the unit stands, and the part
# in its place.
class KeptWork
  # What a fan has of the part that was chosen for it.
  PLATE = Fenbo::JobFile::Motor.types.keys & Fenbo::JobFile::CataloguePart.types.keys
  BLADE = {
    blade_diameter_mm: :diameter_mm, blade_bore_mm: :bore_mm, blade_rotation: :rotation, blade_count: :blade_count,
    blade_pitch_deg: :pitch_deg, blade_hub: :hub, blade_air: :air
  }.freeze
  STANDS = {"proved_dead" => "D", "power_on" => "P", "plugged_in" => "P"}.freeze
  private_constant :PLATE, :BLADE, :STANDS

  # @param book [Logbook]
  def initialize(book)
    @book = book
  end

  # @param entry [Entries::Step]
  def step(entry)
    book.visit
    done = Fenbo::JobFile::StepDone.new(step: entry.step, fan: fan(entry), fault: key(entry), task: entry.task,
      by: book.by, done_at: book.now, fasteners: entry.fasteners, measured: entry.measured&.to_f, note: entry.note,
      skipped: entry.skipped)
    book.job = job.with(steps: [*without(entry), done])
    stand(entry)
    after = plan(entry)
    finish(entry, after) if after.finished?
  end

  # @param entry [Entries::StepUndone]
  def undo(entry)
    left = without(entry)
    raise ActiveRecord::RecordNotFound if left.size == job.steps.size
    book.job = job.with(steps: left)
  end

  # The chosen part is in.
  def fit(fault)
    choice = job.part_choice(fault)
    return choice if choice.fitted_at
    book.visit
    put_in(choice) if choice.motor
    fitted = choice.with(fitted_at: book.now, fitted_by: book.by)
    book.job = job.with(box_log: [], part_choices: job.part_choices.map { |one|
      (one.uid == fitted.uid) ? fitted : one
    })
    fitted
  end

  private

  attr_reader :book

  def job = book.job

  def plan(entry)
    Fenbo::WorkPlan::Progress.of(job, fault: entry.fault, task: entry.task, limits: book.limits)
  end

  def key(entry) = job.fault_at(entry.fault).key

  def fan(entry) = job.fault_at(entry.fault).fan&.key

  def without(entry)
    job.steps.reject { |one| one.step == entry.step && one.task == entry.task && one.fault == key(entry) }
  end

  def stand(entry)
    state = STANDS[entry.step]
    return if state.nil? || (entry.respond_to?(:skipped) && entry.skipped)
    book.job = job.with(state:, state_at: book.now, state_by: book.by)
  end

  def finish(entry, plan)
    book.finish("fit") unless plan.next_along
    plan.parts.fitting.each { |key| fit(key) }
  end

  def put_in(choice)
    day = book.now.to_date
    fans = job.unit.fans.map { |fan| (fan.key == choice.fan) ? fan.with(motors: motors(fan, choice, day)) : fan }
    book.job = job.with(unit: job.unit.with(fans:))
  end

  def motors(fan, choice, day)
    old = fan.motor
    out = old&.with(removed_on: [day, old.installed_on || day].max)
    fresh = Fenbo::JobFile::Motor.new(**PLATE.to_h { |name| [name, choice.motor[name]] }, **blade(choice.blade, old),
      uid: SecureRandom.uuid, installed_on: day, source: choice.offer&.fetch("source", nil),
      warranty_until: day >> book.limits["fitting.warranty_months"])
    [*fan.motors.map { |one| one.in_place? ? out : one }, fresh]
  end

  # The new one where one was chosen, else the old one moves across.
  def blade(chosen, old)
    BLADE.to_h { |name, column| [name, chosen ? chosen[column] : old&.public_send(name)] }
  end
end
