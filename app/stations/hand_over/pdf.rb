# frozen_string_literal: true

require "matrix"
require "prawn"
require "prawn/table"

module Stations
  module HandOver
    # The handover sheet: what was found, with its evidence, what was done, the proof
    # and the signature, on one or two pages.
    class Pdf
      FONTS = "/usr/share/fonts/truetype/dejavu"
      INK = "14302B"
      COPPER = "8A4620"
      MUTED = "4D625C"
      BAD = "A5341C"

      # @param words [Shared::Route] for figures in the reader's units
      def initialize(report, words)
        @report = report
        @words = words
      end

      def render
        @pdf =
          Prawn::Document.new(
            page_size: "A4",
            margin: [44, 48, 52, 48],
            info: {
              Title: "Fenbo job #{job.number}",
              Creator: "Fenbo"
            }
          )
        typeface
        head
        complaint
        cause
        evidence
        work
        proof
        after
        signature
        reasons
        @pdf.number_pages "Job #{job.number} · page <page> of " \
                            "<total>",
          at: [0, -18],
          size: 8,
          color: MUTED,
          align: :right
        @pdf.render
      end

      private

      attr_reader :words

      def job = @report.job

      def typeface
        @pdf.font_families.update(
          "plain" => {
            normal: "#{FONTS}/DejaVuSans.ttf",
            bold: "#{FONTS}/DejaVuSans-Bold.ttf"
          }
        )
        @pdf.font "plain", size: 9.5
        @pdf.fill_color INK
      end

      def head
        @pdf.text @report.shop, size: 9, color: MUTED
        @pdf.text "#{job.unit.name}, #{job.unit.site.name}", size: 17, style: :bold
        site = job.unit.site
        @pdf.text [site.customer.name, site.address].compact.join(", "), color: MUTED
        about = [job.unit.family_label, job.unit.model, job.unit.serial, @report.places]
        @pdf.text about.compact.join(" · "), color: MUTED
        @pdf.move_down 6
        @pdf.stroke_color COPPER
        @pdf.line_width 2.4
        @pdf.stroke_horizontal_rule
        @pdf.line_width 0.75
        @pdf.stroke_color INK
        @pdf.move_down 10
      end

      def section(title)
        @pdf.start_new_page if @pdf.cursor < 90
        @pdf.move_down 8
        @pdf.text title, size: 11.5, style: :bold
        @pdf.move_down 3
      end

      def complaint
        section "Reported"
        @pdf.text job.complaint
        visits =
          @report.visits.map do |visit|
            "#{visit.technician.name}, " \
              "#{words.day_clock(visit.starts_at)}#{" to #{words.clock(visit.ends_at)}" if visit.ends_at}: box " \
              "#{temperature(visit.arrival_c)} on arrival, #{temperature(visit.leaving_c)} on leaving"
          end
        visits.each { |line| @pdf.text line, color: MUTED, size: 8.5 }
      end

      def temperature(celsius)
        celsius ? words.show(celsius, "temperature") : "not read"
      end

      def cause = @report.faults.each { |fault| fault(fault) }

      def fault(fault)
        decision = fault.decision
        section "#{fault.place}: #{decision&.label || "no cause decided"}"
        return unless decision
        @pdf.text "#{Shared::Words::ACTIONS[decision.action]}. Decided by #{decision.by.name}, " \
                    "#{words.day_clock(decision.taken_at)}#{countersigned(decision)}."
        return unless decision.overridden?
        @pdf.text "Decided otherwise than proposed (#{Fenbo::Diagnosis::Cause.label(decision.proposed)}): " \
                    "#{decision.override_reason}",
          color: COPPER
      end

      def countersigned(decision)
        decision.countersigned_by ? ", countersigned by #{decision.countersigned_by.name}" : ""
      end

      def evidence
        section "What was found"
        rows =
          @report.findings.map do |finding|
            [
              finding.place,
              finding.test_short,
              finding.label,
              finding.by.first_name,
              words.day_clock(finding.taken_at)
            ]
          end
        table([%w[Where Test Outcome By When], *rows])
        amps("Readings before the work", @report.readings("before"))
        besides
      end

      def besides
        rows =
          @report.besides.map do |one|
            [
              one.where,
              one.what,
              one.verdict || words.verdict_words(one.reading.verdict),
              words.day_clock(one.reading.taken_at)
            ]
          end
        return if rows.empty?
        section "Measured, painted and heard besides"
        table([%w[Where What Verdict When], *rows])
      end

      def amps(title, readings)
        return if readings.empty?
        section title
        table([%w[Fan Read Window Verdict When], *readings.map { |reading| amps_row(reading) }])
      end

      def amps_row(reading)
        window = reading.answer.window
        unit = reading.answer.watts ? "W" : "A"
        [
          reading.place,
          reading.answer.legs.map { |leg| "#{leg.amps} A ± #{leg.error}" }.join(", "),
          window ? "#{window.low} to #{window.high} #{unit}" : "–",
          words.verdict_words(reading.verdict),
          words.day_clock(reading.taken_at)
        ]
      end

      def work
        section "What was done"
        @report.faults.each do |fault|
          part = words.part_words(fault)
          @pdf.text "#{fault.place}: #{part}." if part
        end
        @report.works.each { |plan| @pdf.text work_line(plan) }
        @report.measured.each { |one| @pdf.text "#{one.where}, #{one.label}: #{words.show(one.value, one.kind)}" }
        @report.deviations.each { |step, done| @pdf.text deviation_line(step, done), color: COPPER }
        @pdf.text "Moved over from the old motor: #{@report.transferred.join(", ")}." if @report.transferred.any?
        @pdf.text @report.handover.summary if @report.handover&.summary
      end

      def work_line(plan)
        safe = ", made safe and proved dead" if plan.plan.gate.all? { |step| plan.done(step) }
        "#{plan.fan.long_label}, #{Shared::Words::TASKS.fetch(plan.task).downcase}: " \
          "#{plan.done_count} of #{plan.steps.size} steps done#{safe}."
      end

      def deviation_line(step, done)
        "#{done.skipped? ? "Left out" : "Otherwise"}: #{step.text.delete_suffix(".")}: #{done.note}"
      end

      def proof
        amps("Proof: readings after the work", @report.readings("after"))
        section(@report.proof.proved? ? "Proved" : "Still to be proved")
        Fenbo::Proof::Checklist.checks.each do |id, text|
          @pdf.text "#{@report.proof.done?(id) ? "✓" : "–"}  #{text}", color: @report.proof.done?(id) ? INK : BAD
        end
        besides = @report.proof.missing - Fenbo::Proof::Checklist.checks.values
        besides.each { |text| @pdf.text "–  #{text}", color: BAD }
      end

      def after
        handover = @report.handover or return
        if handover.seen_besides
          section "Seen besides"
          @pdf.text handover.seen_besides
        end
        return unless handover.next_visit_at
        section "Next visit"
        @pdf.text [words.day_clock(handover.next_visit_at), handover.next_visit_for].compact.join(": ")
      end

      def signature
        handover = @report.handover
        return unless handover&.signature
        @pdf.start_new_page if @pdf.cursor < 130
        section "Signed"
        @pdf.bounding_box([0, @pdf.cursor], width: 220, height: 74) do
          @pdf.stroke_bounds
          handover.signature.each { |stroke| draw_stroke(stroke) }
        end
        @pdf.move_down 4
        @pdf.text "#{handover.signed_name}, #{words.day_clock(handover.signed_at)}", size: 8.5, color: MUTED
      end

      # Every reading with its limit and where that is from, behind what a customer reads.
      def reasons
        return if @report.reasoned.empty?
        section "Why the readings say so"
        @report.reasoned.each do |reading, list|
          @pdf.start_new_page if @pdf.cursor < 70
          @pdf.text "#{@report.name_of(reading.kind)}, #{reading.place.downcase}, #{words.day_clock(reading.taken_at)}",
            size: 8.5, style: :bold
          list.each { |reason| @pdf.text reason_line(reason), size: 8, color: MUTED }
        end
      end

      def reason_line(reason)
        against = [reason.value && "here #{words.plain(reason.value)}", reason.limit && "limit " \
          "#{words.plain(reason.limit)}",
          words.source_words(reason.source).presence].compact.join(", ")
        "#{reason.text}#{" (#{against})" unless against.empty?}"
      end

      def draw_stroke(stroke)
        points = stroke.map { |x, y| [x * 220, 74 - y * 74] }
        @pdf.line_width 1.2
        points.each_cons(2) { |from, to| @pdf.stroke_line(from, to) }
      end

      def table(rows)
        return @pdf.text("Nothing was recorded.", color: MUTED) if rows.size == 1
        @pdf.table(
          rows,
          header: true,
          width: @pdf.bounds.width,
          cell_style: {
            borders: [:bottom],
            border_width: 0.5,
            border_color: "C5D0CA",
            padding: [3, 4, 3, 0],
            size: 8.5
          }
        ) { |table| table.row(0).font_style = :bold }
      end
    end
  end
end
