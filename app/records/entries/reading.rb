# frozen_string_literal: true

module Entries
  # What an instrument read: as typed, as asked of the core, and what the core said, with
  # the findings it amounts to. `findings` is test => outcome, or a list of
  # [fan, test, outcome, weights] where one reading speaks of several fans.
  Reading = Entry.of(:id, :fan, :kind, :question, :result, phase: "before", typed: {}, meter: nil, findings: {}) do
    def against(book) = Interlocks.dead_reading(kind, question, book)
    def known(book) = ::Reading.find_by(client_id: id, job: book.record)

    # Findings come of readings before the repair only: afterwards they would speak of
    # another motor. A reading sent twice brings none a second time.
    def append(book)
      known = ::Reading.find_by(client_id: id)
      reading = ::Reading.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit,
        fan_position: book.fan(fan),
        user: book.user, kind:, phase:, typed:, question: question.as_json, result: result.as_json,
        verdict: result.as_json["verdict"], meter:)
      amounts_to.each { |row| note(book, reading, *row) } if phase == "before" && reading != known
      box_follows(book) if kind == "pulldown" && reading != known
      book.finish("prove") if phase == "after" && Fenbo::Proof::Checklist.new(book.reread).proved?
      reading
    end

    # The same wherever it is made, so that a phone and the server speak of the same one.
    def self.finding_id(reading, fan, test)
      Digest::UUID.uuid_v5(reading, [fan, test].join(" "))
    end

    # @return [Array] [fan, test, outcome, weights] of every finding that follows
    def amounts_to
      findings.is_a?(Hash) ? findings.map { |test, outcome| [fan, test, outcome, nil] } : findings
    end

    private

    # The last reading of a pull-down is how warm the box is now.
    def box_follows(book)
      last = question["readings"].last
      book.record.box_stands_at(last["c"], book.now) if last
    end

    def note(book, reading, fan, test, outcome, weights)
      unit = Fenbo::Diagnosis::Test[test].unit?
      id = Reading.finding_id(reading.client_id, fan, test)
      ::Finding.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit, user: book.user, test:,
        outcome:, weights:, reading:, fan_position: (book.fan(fan) unless unit))
    end
  end
end
