# frozen_string_literal: true

module Entries
  # A repair that failed its proof goes back to Decide: its decision is taken back as not
  # proved, and what the reading after the work says is evidence of what is still wrong.
  Retest = Entry.of(:fault) do
    def action = :decide

    def against(book)
      return if failed(book) || book.job.fault_at(fault).disproved?
      [:fault, "Its reading after the work does not say that anything is still wrong."]
    end

    # The fault whose repair failed its proof; nil where none did.
    def failed(book)
      key = book.job.fault_at(fault).key
      Fenbo::Proof::Checklist.new(book.job).failed.find { |one| one.key == key && one.decision }
    end

    # What the reading after the work says of the motor that is in now.
    # @return [String] outcome of the clamp's test
    def outcome(reading)
      Fenbo::Diagnosis::Test["amps"].outcomes.include?(reading.verdict) ? reading.verdict : "over"
    end

    # The same on a phone and on the server.
    def finding_id(found)
      Reading.finding_id(found.after.id, found.fan.key, "not proved")
    end

    # Two presses at once: the second finds the decision taken back already.
    def append(book)
      book.record.with_lock { decision(book) && take_back(book) }
    end

    private

    def take_back(book)
      found = failed(book)
      reading = found.after
      decision(book).void(book.user, Fenbo::JobFile::NOT_PROVED, at: book.now)
      ::Finding.record(client_id: finding_id(found), taken_at: book.now, job: book.record, visit: book.visit,
        user: book.user, test: "amps", outcome: outcome(reading), fan_position: book.fan(found.fan.key), weights: nil,
        reading: ::Reading.find_by!(client_id: reading.id))
      book.record.update!(station: "decide")
    end

    def decision(book)
      told = book.reread.decision(fault)
      told && ::Decision.find_by!(client_id: told.id)
    end
  end
end
