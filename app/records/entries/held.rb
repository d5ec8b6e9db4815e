# frozen_string_literal: true

module Entries
  # What holds the product for the time being: a stopgap that is set up now, none once it is undone.
  Held = Entry.of(:stopgap) do
    def against(book)
      return if stopgap == clock(book).stopgap
      return [:stopgap, "No clock runs that it could hold."] unless clock(book).known?
      [:stopgap, "Nothing of the kind holds this product."] unless stopgap.nil? || known?(book)
    end

    def append(book)
      return if stopgap == clock(book).stopgap
      # What was read before says nothing of how it drifts from now on.
      book.record.update!(drift_from: turned(book)&.as_json, box_log: [])
    end

    private

    def clock(book)
      Fenbo::Product::JobClock.new(book.job, now: book.now, limits: book.limits)
    end

    # What is undone once nothing can be reckoned any more is undone all the same.
    def turned(book)
      Fenbo::Product::Turning.new(clock(book), limits: book.limits).to(stopgap) if clock(book).question
    end

    def known?(book)
      fan = book.job.fan_in_hand
      Fenbo::Product::Stopgaps.new(book.job, fan, clock: clock(book), limits: book.limits).all
        .any? { |one| one.id == stopgap }
    end
  end
end
