# frozen_string_literal: true

# What handing over and closing make of the job file.
class KeptEnd
  # @param book [Logbook]
  def initialize(book)
    @book = book
  end

  # @param entry [Entries::Handover]
  def hand_over(entry)
    text = job.handover || Fenbo::JobFile::Handover.new(by: book.by)
    written = text.with(**entry.values, by: book.by)
    signing = Entries::Signing
    written = written.with(**signing::NONE) if signing::WORDS.any? { |name| text[name] != written[name] }
    book.job = job.with(handover: written)
    sign(entry) if entry.signature
    book.finish("hand_over") if job.handover.signed? || job.handover.unsigned_because
  end

  def close
    return book.job = job.with(status: "awaiting_countersign", closed_by: book.by) if book.user.apprentice?
    book.job = job.with(status: "closed", closed_by: book.by, closed_at: book.now, station: "hand_over",
      visits: visits_over)
  end

  private

  attr_reader :book

  def job = book.job

  def sign(entry)
    work = Fenbo::JobFile::SignedWork.new(job)
    book.job = job.with(handover: job.handover.with(signature: entry.signature, signed_name: entry.signed_name,
      signed_at: book.now, signed_digest: work.digest, signed_work: work.to_h))
  end

  # What was only planned is not made.
  def visits_over
    over = job.presence(book.limits).close(book.now)
    job.visits.filter_map { |one|
      next one unless over.key?(one.uid)
      over[one.uid] && one.with(ends_at: over[one.uid])
    }
  end
end
