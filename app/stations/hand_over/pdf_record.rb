# frozen_string_literal: true

module Stations
  module HandOver
    # Behind what a customer reads: every finding and reading, and why each says what it says.
    class PdfRecord < PdfPart
      def print
        return if report.findings.empty? && report.reasoned.empty?
        paper.fresh_page
        paper.gap 12
        paper.text "Everything recorded", size: 14, style: :bold
        findings
        amps("Readings before the work", report.readings("before"))
        amps("Readings after the work", report.readings("after"))
        besides
        reasons
      end

      private

      def place(entry) = report.job.unit.place_of(entry)

      def findings
        paper.section "What was found"
        rows = report.findings.map do |one|
          [place(one), one.test_short, one.label, one.by.first_name, words.day_clock(one.taken_at)]
        end
        paper.table([%w[Where Test Outcome By When], *rows])
      end

      def amps(title, readings)
        return if readings.empty?
        paper.section title
        paper.table([%w[Fan Read Window Verdict When], *readings.map { |reading| amps_row(reading) }])
      end

      def amps_row(reading)
        verdict = report.read_again?(reading) ? "read again" : words.verdict_words(reading.verdict)
        [place(reading), words.read_words(reading), words.window_words(reading), verdict,
          words.day_clock(reading.taken_at)]
      end

      def besides
        rows = report.besides.map do |one|
          [one.where, one.what, one.verdict || words.verdict_words(one.reading.verdict),
            words.day_clock(one.reading.taken_at)]
        end
        return if rows.empty?
        paper.section "Measured, painted and heard besides"
        paper.table([%w[Where What Verdict When], *rows])
      end

      def reasons
        return if report.reasoned.empty?
        paper.section "Why the readings say so"
        report.reasoned.each do |reading, list|
          paper.room 70
          where = "#{report.name_of(reading.kind)}, #{place(reading).downcase}, #{words.day_clock(reading.taken_at)}"
          paper.text where, size: 8.5, style: :bold
          list.each { |reason| paper.text reason_line(reason), size: 8, color: Shared::Paper::MUTED }
        end
      end

      def reason_line(reason)
        value, limit = Fenbo::Retold.beside([reason.value, reason.limit], reason.text, words.units)
        against = [value && "here #{words.plain(value)}", limit && "limit #{words.plain(limit)}",
          words.source_words(reason.source).presence].compact
        "#{words.in_own_units(reason.text)}#{" (#{against.join(", ")})" if against.any?}"
      end
    end
  end
end
