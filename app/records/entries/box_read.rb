# frozen_string_literal: true

module Entries
  # What the box reads, once or as a logger has it: kept as a reading, and what the product's
  # clock goes by from here on. `points` are pairs of time and °C.
  BoxRead = Entry.of(:id, :points, typed: {}) do
    def known(book) = ::Reading.find_by(client_id: id, job: book.record)

    def against(book)
      clock = Fenbo::Product::JobClock.new(book.job, now: book.now)
      return if clock.limit_c && clock.end_c
      [:now, "The product's limit and where the box would end up come first: note them at Call."]
    end

    def append(book)
      return known(book) if known(book)
      log = log_of(book.record)
      start(book.record, log)
      clock = Fenbo::Product::JobClock.new(box(book), now: log.last.first, limits: book.limits)
      ::Reading.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit, fan_position: nil,
        user: book.user, kind: "product", phase: "before", typed:, question: clock.question,
        result: clock.result.as_json, verdict: clock.result.as_json["verdict"])
    end

    private

    # The box as it is read, whether its product is in it or not.
    def box(book)
      job = book.reread
      clock = Fenbo::Product::JobClock.new(job, now: book.now)
      clock.elsewhere? ? job.with(drift_from: nil) : job
    end

    # Oldest first; the first of all is what the caller said.
    def log_of(record)
      earlier = record.box_points.presence || told(record)
      (earlier + points).uniq(&:first).sort_by(&:first).last(Fenbo::Product::JobClock::MOST_POINTS)
    end

    # What it was at the call, and some hours before.
    def told(record)
      return [] unless record.box_c && record.box_read_at
      before = record.earlier_hours_ago.to_f
      [([record.box_read_at - before * 3600, record.earlier_c] if record.earlier_c && before.positive?),
        [record.box_read_at, record.box_c]].compact
    end

    def start(record, log)
      at, celsius = log.last
      record.update!(box_c: celsius, box_read_at: at, earlier_c: nil, earlier_hours_ago: nil,
        box_log: log.map { |time, c| {"at" => time.utc.iso8601(6), "c" => c} })
    end
  end
end
