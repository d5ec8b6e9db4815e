# frozen_string_literal: true

module Entries
  # A planned visit put at another time or with somebody else; where none is planned, one is.
  # `version` is that of the visit as it was seen: whoever comes second is told what the first did.
  VisitMoved = Entry.of(:visit, :at, :technician, version: nil) do
    def action = :assign

    def against(book)
      return [:at, "That is in the past."] if at < book.now - 1800
      row = visit && book.record.visits.find { |one| one.id == visit }
      return [:visit, "This visit is not planned any more."] if visit && (row.nil? || row.ends_at)
      return [:visit, "Somebody is there already."] if row && made?(book, row)
      [:version, moved_words(row)] if row && version && row.lock_version != version
    end

    # The job is whose the visit is, where it was theirs alone.
    # @raise [ActiveRecord::StaleObjectError] where both press at once
    def append(book)
      # Two presses at once plan one visit.
      book.record.lock! unless visit
      row = visit ? book.record.visits.find { |one| one.id == visit } : planned(book.record)
      row.lock_version = version if visit && version
      row.update!(starts_at: at, technician:)
      theirs = book.record.visits.reject(&:ends_at).all? { |one| one.technician_id == technician.id }
      book.record.update!(technician:) if theirs
      row
    end

    private

    # A visit that was only planned can be moved, though its hour has come.
    def made?(book, row)
      row.starts_at <= book.now && book.job.presence(book.limits).made.any? { |one| one.uid == row.uid }
    end

    def planned(record)
      Visit.planned.find_by(job: record, technician:, starts_at: at) || record.visits.build(purpose: "on site")
    end

    def moved_words(row)
      "Somebody moved it meanwhile: #{row.technician.first_name}, " \
        "#{row.starts_at.getlocal.strftime("%a %-d %b %H:%M")}. Look, then move it again."
    end
  end
end
