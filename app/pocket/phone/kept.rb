# frozen_string_literal: true

# What an entry makes of the job file: the same that its rows make of it later, on the server.
class Kept
  # @param book [Logbook]
  def initialize(book)
    @book = book
  end

  # @raise [Phone::NeedsSignal] where it cannot be kept here
  def keep(entry)
    name = entry.class.name.demodulize.underscore
    raise Phone::NeedsSignal, name unless respond_to?(name, true)
    send(name, entry)
  end

  # What comes of a chosen motor later, and what it takes the signal to settle.
  NOT_YET = (Fenbo::JobFile::PartChoice.types.keys -
    %i[uid by fan fault chosen_at motor grade checks beside]).to_h { |name| [name, nil] }.freeze
  private_constant :NOT_YET

  private

  attr_reader :book

  def job = book.job

  # Of everything made once by somebody.
  def made(id, fan)
    {id:, fan:, visit: book.visit, by: book.by, taken_at: book.now, voided_at: nil, voided_by: nil, void_reason: nil}
  end

  def add(list, row)
    book.job = job.with(list => [*job[list], row])
    row
  end

  def finding(entry)
    known = Fenbo::Diagnosis::Test[entry.test]
    fan = (entry.fan unless known.unit?)
    corrected(entry, fan).each { |one| void_one(:findings, one, "answered anew") }
    add(:findings, Fenbo::JobFile::Finding.new(**made(entry.id, fan), test: entry.test, outcome: entry.outcome,
      note: entry.note, override_reason: entry.override_reason, weights: nil, reading: nil))
  end

  # What the same person said of the same within minutes.
  def corrected(entry, fan)
    since = book.now - book.limits["looking.same_look_minutes"] * 60
    job.live_findings.select { |one|
      one.test == entry.test && one.fan == fan && one.by.uid == book.user.uid && one.reading.nil? &&
        one.taken_at >= since && one.outcome != entry.outcome && one.id != entry.id
    }
  end

  def reading(entry)
    result = entry.result.as_json
    file = entry.question["file"]
    row = add(:readings, Fenbo::JobFile::Reading.new(**made(entry.id, entry.fan), kind: entry.kind, phase: entry.phase,
      typed: entry.typed, question: entry.question.except("file").as_json, result:, verdict: result["verdict"],
      meter: entry.meter, file: file&.with(name: "recordings/#{entry.id}")))
    entry.amounts_to.each { |told| note(row, *told) } if entry.phase == "before"
    last = entry.question["readings"].last if entry.kind == "pulldown"
    box_stands_at(last["c"]) if last
    proved if entry.phase == "after"
    row
  end

  def note(reading, fan, test, outcome, weights)
    id = Entries::Reading.finding_id(reading.id, fan, test)
    fan = nil if Fenbo::Diagnosis::Test[test].unit?
    add(:findings, Fenbo::JobFile::Finding.new(**made(id, fan), test:, outcome:, note: nil, override_reason: nil,
      weights:, reading: reading.id))
  end

  def box_stands_at(celsius)
    return if job.box_read_at && job.box_read_at > book.now
    book.job = job.with(box_c: celsius.to_f, box_read_at: book.now, box_log: [], earlier_c: nil, earlier_hours_ago: nil)
  end

  def proved
    book.finish("prove") if Fenbo::Proof::Checklist.new(job).proved?
  end

  def photo(entry)
    io = entry.upload
    file = Files.stored("photos/#{entry.id}#{File.extname(io.path)}", io, PhotoUploader.determine_mime_type(io))
    add(:photos, Fenbo::JobFile::Photo.new(**made(entry.id, entry.fan), station: entry.station, step: entry.step,
      caption: entry.caption, file:))
  end

  def state(entry)
    book.job = job.with(state: entry.state, state_at: book.now, state_by: book.by)
  end

  def station_done(entry) = book.finish(entry.station)

  def void(entry)
    raise Phone::NeedsSignal, entry.of.to_s unless %i[findings readings].include?(entry.of)
    row = job[entry.of].find { |one| one.id == entry.id } || raise(ActiveRecord::RecordNotFound)
    if entry.of == :readings
      job.findings.select { |one| one.reading == row.id }
        .each { |one| void_one(:findings, one, "its reading was taken back") }
    end
    void_one(entry.of, row, entry.reason)
  end

  def void_one(list, row, reason)
    return row if row.voided?
    gone = row.with(voided_at: book.now, voided_by: book.by, void_reason: reason)
    book.job = job.with(list => job[list].map { |one| (one.id == row.id) ? gone : one })
    gone
  end

  def decision(entry)
    fan = job.fault_at(entry.fault).fan&.key
    fault = job.fault_to_decide(entry.fault, entry.causes, besides: entry.besides)
    row = add(:decisions, Fenbo::JobFile::Decision.new(**made(entry.id, fan), causes: entry.causes,
      probability: entry.probability&.to_f, proposed: entry.proposed, override_reason: entry.override_reason,
      action: entry.action_taken, standing: entry.standing.as_json, fault:, countersigned_by: nil,
      countersigned_at: nil))
    book.finish("decide")
    stand
    row
  end

  def stand
    book.job = job.with(station: job.station_decided)
  end

  def proof_tick(entry)
    book.visit
    others = job.proof_checks.reject { |one| one.check == entry.check }
    there = others.size < job.proof_checks.size
    taken_back = there && Fenbo::Proof::Checklist.new(job).done?(entry.check)
    ticked = Fenbo::JobFile::ProofCheck.new(check: entry.check, by: book.by, done_at: book.now)
    book.job = job.with(proof_checks: taken_back ? others : [*others, ticked])
    proved
  end

  def temperatures(entry)
    here = book.visit
    left = entry.left_anew?(job.visits.find { |one| one.uid == here })
    read = {arrival_c: entry.arrival, leaving_c: entry.leaving}.compact
    book.job = job.with(visits: job.visits.map { |one| (one.uid == here) ? one.with(**read) : one })
    box_stands_at(entry.leaving) if left
  end

  def features(entry)
    book.job = job.with(unit: job.unit.with(features: job.unit.features.merge(entry.answers)))
  end

  # What was chosen and is not fitted is not wanted any more; a piece off the van is put back
  # when the server hears of it.
  def withdrawn(entry)
    choice = job.part_choice(entry.fault)
    superseded(choice) if choice && !choice.fitted_at
    void_one(:decisions, job.decision(entry.fault), entry.reason).tap { stand }
  end

  # A motor that came along, in place of what was chosen for the fault before.
  def part(entry)
    standing = job.part_choice(entry.fault)
    unless standing&.thing&.part_no == entry.part_no
      superseded(standing) if standing
      fault = job.fault_at(entry.fault)
      add(:part_choices, Fenbo::JobFile::PartChoice.new(uid: SecureRandom.uuid, by: book.by, fan: fault.fan.key,
        fault: fault.key, chosen_at: book.now, motor: Phone.pack.motor(entry.part_no), grade: entry.grade,
        checks: entry.checks, beside: entry.beside, **NOT_YET))
    end
    book.finish("match")
  end

  def superseded(choice)
    book.job = job.with(part_choices: job.part_choices.map { |one|
      (one.uid == choice.uid) ? one.with(superseded_at: book.now) : one
    })
  end

  # A repair that failed its proof goes back to Decide.
  def retest(entry)
    found = entry.failed(book) or return
    void_one(:decisions, job.decision(entry.fault), Fenbo::JobFile::NOT_PROVED)
    add(:findings, Fenbo::JobFile::Finding.new(**made(entry.finding_id(found), found.fan.key), test: "amps",
      outcome: entry.outcome(found.after), note: nil, override_reason: nil, weights: nil, reading: found.after.id))
    book.job = job.with(station: "decide")
  end

  def handover(entry) = KeptEnd.new(book).hand_over(entry)

  def close(_entry) = KeptEnd.new(book).close

  def step(entry) = KeptWork.new(book).step(entry)

  def step_undone(entry) = KeptWork.new(book).undo(entry)

  def fitted(entry) = KeptWork.new(book).fit(entry.fault)
end
