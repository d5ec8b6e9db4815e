# frozen_string_literal: true

module Entries
  # The outcome of one test, seen on a fan or on the unit.
  Finding = Entry.of(:id, :fan, :test, :outcome, note: nil, override_reason: nil) do
    def against(book)
      known = Fenbo::Diagnosis::Test.all[test]
      return [:outcome, "Choose one of the answers on the page."] unless known&.outcomes&.include?(outcome)
      Interlocks.dead_test(known, book)
    end

    def known(book) = ::Finding.find_by(client_id: id, job: book.record)

    # Somebody who answers their own question otherwise within minutes corrects it; later, or
    # by somebody else, both answers stand until one is taken back.
    def append(book)
      known = Fenbo::Diagnosis::Test[test]
      earlier(book, known).void_all(book.user, "answered anew", at: book.now)
      ::Finding.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit, user: book.user, test:,
        outcome:, note:,
        fan_position: (book.fan(fan) unless known.unit?), override_reason:)
    end

    private

    def earlier(book, known)
      since = book.now - book.limits["looking.same_look_minutes"] * 60
      book.record.findings.live.where(user: book.user, test:, reading_id: nil, taken_at: since..book.now,
        fan_position: (book.fan(fan) unless known.unit?)).where.not(outcome:).where.not(client_id: id)
    end
  end
end
