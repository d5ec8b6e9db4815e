# frozen_string_literal: true

module Entries
  # A repair that failed its proof goes back to Decide: its decision is taken back as not
  # proved, and what the reading after the work says is evidence of what is still wrong.
  Retest = Entry.of(:fan) do
    def action = :decide

    def fault(book)
      return if failed(book)
      [:fan, "Its reading after the work does not say that anything is still wrong."]
    end

    # Two presses at once: the second finds the decision taken back already.
    def append(book)
      book.record.with_lock { decision(book) && take_back(book) }
    end

    private

    def take_back(book)
      reading = failed(book).after
      decision(book).void(book.user, Fenbo::JobFile::NOT_PROVED, at: book.now)
      outcome = Fenbo::Diagnosis::Test["amps"].outcomes.include?(reading.verdict) ? reading.verdict : "over"
      ::Finding.record(client_id: SecureRandom.uuid, taken_at: book.now, job: book.record, visit: book.visit,
        user: book.user, test: "amps", outcome:, fan_position: book.fan(fan), weights: nil,
        reading: ::Reading.find_by!(client_id: reading.id))
      book.record.update!(station: "decide")
    end

    def failed(book)
      return nil unless decision(book)
      Fenbo::Proof::Checklist.new(book.job).failed.find { |one| one.fan.key == fan }
    end

    def decision(book)
      book.record.decisions.live.where(fan_position: book.fan(fan)).order(:taken_at).last
    end
  end
end
