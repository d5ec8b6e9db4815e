# frozen_string_literal: true

require "forwardable"

# Writes a job file into this Fenbo: the job with everything recorded on it, and of
# customer, site, unit, motors and people what is not here yet, known by their uids.
# What is here is never changed: the same file twice adds nothing.
#
#   JobImport.new(job, files).run   #=> Outcome, :added or :known, and what was left as it is
#
# `files` gives the bytes of a stored file by its name. All or nothing.
class JobImport
  extend Forwardable

  def_delegators :@rows, :row, :once, :person
  private :row, :once, :person

  Outcome = Struct.new(:state, :number, :notes) do
    def added? = state == :added
  end

  # @param job [Fenbo::JobFile::Job] proved by JobFile::Check
  # @param files [Hash{String => IO}]
  def initialize(job, files, now: Time.now)
    @job = job
    @files = files
    @now = now
    @notes = []
    @rows = KnownRows.new
  end

  def run
    ActiveRecord::Base.transaction(requires_new: true) do
      known = Job.find_by(uid: @job.uid)
      next Outcome.new(:known, known.number, differences) if known
      record = job
      entries(record)
      outcomes(record)
      Outcome.new(:added, record.number, @notes)
    end
  end

  private

  # What the file says and the job here does not: somebody went on with one of them.
  def differences
    here = JobSource.uid(@job.uid)
    return [] if here.as_json == @job.as_json
    ["It differs from the file: what was recorded here stays as it is."]
  end

  def unit
    @unit ||= Unit.find_by(uid: @job.unit.uid)&.tap {
      @notes << "The unit is here already and stays as it is."
    } || new_unit
  end

  def new_unit
    site = @job.unit.site
    place = once(Site, site, customer: once(Customer, site.customer))
    once(Unit, @job.unit, site: place).tap { |unit| @job.unit.fans.each { |fan| new_fan(unit, fan) } }
  end

  def new_fan(unit, fan)
    position =
      FanPosition.create!(unit:, side: fan.side, number: fan.number, brought_place: fan.place&.as_json,
        brought_amps: fan.healthy_amps, brought_at: @now)
    fan.motors.each { |motor| once(FittedMotor, motor, fan_position: position) }
  end

  def fan(key)
    key && unit.fan_positions.reload.find { |one| "#{one.side}-#{one.number}" == key }
  end

  def job
    row(
      Job, @job,
      number: free_number, unit:, fan_position: fan(@job.fan),
      technician: person(@job.technician), closed_by: person(@job.closed_by), state_by: person(@job.state_by),
      countersigned_by: person(@job.countersigned_by), beside: other(@job.beside), return_of: other(@job.return_of)
    )
  end

  # Its own number where nobody has it, else the next; the sequence goes on behind it.
  def free_number
    connection = ActiveRecord::Base.connection
    if @job.number.positive? && !Job.exists?(number: @job.number)
      connection.select_value(
        "SELECT setval('job_numbers', greatest(#{@job.number}, (SELECT last_value FROM job_numbers)))"
      )
      return @job.number
    end
    connection.select_value("SELECT nextval('job_numbers')").tap do |number|
      @notes << "Number #{@job.number} is taken here: it is job #{number} now."
    end
  end

  def other(uid)
    return nil unless uid
    Job.find_by(uid:) ||
      nil.tap { @notes << "A job it belongs with is not here: bring that in first to have them side by side." }
  end

  def entries(record)
    @visits = @job.visits.to_h { |visit|
      [visit.uid, row(Visit, visit, job: record, technician: person(visit.technician))]
    }
    @readings = @job.readings.to_h { |one| [one.id, entry(Reading, record, one, question: question(one))] }
    @job.findings.each { |one| entry(Finding, record, one, reading: @readings[one.reading]) }
    @job.photos.each { |one| entry(Photo, record, one, image_data: keep(PhotoUploader, one.file)) }
    @job.decisions.each { |one| entry(Decision, record, one, countersigned_by: person(one.countersigned_by)) }
    @job.unit.circuits.to_a.each { |one| circuit(record, one) }
  end

  # Of a ledger what was noted on this job; the rest comes with the jobs it was noted on.
  def circuit(record, one)
    place = once(Circuit, one, unit:)
    of_this_job(one.moves).each do |move|
      entry(RefrigerantMove, record, move, circuit: place, cylinder: Cylinder.called(move.cylinder))
    end
    of_this_job(one.leaks).each { |leak| entry(LeakSearch, record, leak, circuit: place) }
    one.leaks.each do |leak|
      search = LeakSearch.find_by(client_id: leak.id) or next
      of_this_job(leak.checks).each { |check| entry(LeakCheck, record, check, leak_search: search) }
    end
  end

  def of_this_job(list) = list.select { |one| one.job == @job.uid }

  def entry(model, record, part, **given)
    row(
      model, part,
      client_id: part.id, job: record, visit: @visits[part.visit], fan_position: fan(part.fan), user: person(part.by),
      voided_by: person(part.voided_by), created_at: @now, id: nil, **given
    )
  end

  def question(reading)
    reading.file ? reading.question.merge("file" => keep(SoundUploader, reading.file)) : reading.question
  end

  # The file goes to the store under a name of its own; what the job file says of it is kept.
  def keep(uploader, file)
    location = "#{SecureRandom.hex(16)}#{File.extname(file.name)[/\A\.[a-z0-9]{1,5}\z/]}"
    data = uploader.upload(@files.fetch(file.name), :store, location:).data
    said = {"mime_type" => file.mime_type, "size" => file.bytes, "sha256" => file.sha256}
    data.merge("metadata" => data["metadata"].merge(said))
  end

  def outcomes(record)
    @job.part_choices.each { |one| part_choice(record, one) }
    @job.steps.each { |one| step(record, one) }
    @job.stations.each { |one| row(StationStep, one, job: record, done_by: person(one.by)) }
    @job.proof_checks.each { |one| row(ProofCheck, one, check_id: one.check, job: record, user: person(one.by)) }
    @job.quotes.to_a.each { |one| quote(record, one) }
    row(Handover, @job.handover, job: record, user: person(@job.handover.by)) if @job.handover
  end

  def quote(record, one)
    made = row(Quote, one, job: record, user: person(one.by), created_at: one.made_at)
    one.answers.each { |answer| row(QuoteAnswer, answer, quote: made, user: person(answer.by)) }
  end

  # Files of before plans had a fan and a task mean the motor of the fan in hand.
  def step(record, one)
    key = one.fan || @job.fan_in_hand.key
    row(WorkStep, one, job: record, user: person(one.by), fan_position: record.unit.position(key),
      fault: @job.fault_key(one), task: one.task || Fenbo::WorkPlan::Task.motor(key[/\A[a-z]+/]))
  end

  def part_choice(record, one)
    row(
      PartChoice, one,
      job: record, user: person(one.by), fitted_by: person(one.fitted_by), created_at: one.chosen_at,
      fan_position: record.unit.position(one.fan || @job.fan_in_hand.key), fault: @job.fault_key(one),
      motor: part(Motor, one.motor), blade: part(Blade, one.blade), spare: spare(one.spare),
      fit_reading: @readings[one.fit_reading]
    )
  end

  def spare(one)
    one && part(Spare, one, **one.columns.slice(*Spare.column_names).transform_keys(&:to_sym))
  end

  # A part is known by its number; the catalogue here is the office's and stays as it is.
  def part(model, one, **more)
    one && (model.find_by(part_no: one.part_no) || row(model, one, maker: one.maker || "unknown", **more))
  end
end
