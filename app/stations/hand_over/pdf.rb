# frozen_string_literal: true

module Stations
  module HandOver
    # The handover sheet in the customer's words: what was reported, what it was, what was
    # done and what proves it, with the drawings of the screens; behind it, on pages of its
    # own, everything that was recorded.
    class Pdf
      WIDE, MAP, CURVE = 499, 300, 340

      # @param words [Shared::Route, Shared::Voice] for figures in the reader's units
      def initialize(report, words)
        @report = report
        @words = words
        @paper = Shared::Paper.new("Fenbo job #{report.job.number}")
      end

      def render
        head
        complaint
        PdfFaults.new(@report, @words, @paper).print
        seen
        heard
        PdfWork.new(@report, @words, @paper).print
        refrigerant
        proof
        after
        signature
        PdfRecord.new(@report, @words, @paper).print
        @paper.render("Job #{job.number}")
      end

      private

      attr_reader :words, :paper

      def job = @report.job

      def head
        unit, site = job.unit, job.unit.site
        paper.small @report.shop
        paper.text "#{unit.name}, #{site.name}", size: 17, style: :bold
        paper.text [site.customer.name, site.address].compact.join(", "), color: Shared::Paper::MUTED
        about = [unit.family_label, unit.model, unit.serial, @report.places].compact.join(" · ")
        paper.text about, color: Shared::Paper::MUTED
        paper.rule
        paper.text @report.standing, size: 12, style: :bold
        paper.small @report.drawn if @report.drawn
        paper.drawing words.plate(unit, findings: @report.as_found, hand: @report.faults.first&.fan), width: WIDE
        paper.labels(unit.fans.map { |fan| label_of(fan) })
      end

      def label_of(fan)
        side = "#{words.side_words(fan)} " if job.unit.two_sided?
        "#{side}#{fan.number}  #{words.fan_words(fan, @report.as_found.reverse)}"
      end

      def complaint
        paper.section "Reported"
        paper.text job.complaint
        @report.visits.each { |visit| paper.small visit_line(visit) }
      end

      def visit_line(visit)
        read = {"on arrival" => visit.arrival_c, "on leaving" => visit.leaving_c}.compact
          .map { |moment, celsius| "#{words.show(celsius, "temperature")} #{moment}" }
        times = "#{words.day_clock(visit.starts_at)}#{" to #{words.clock(visit.ends_at)}" if visit.ends_at}"
        ["#{visit.technician.name}, #{times}", ("box #{read.join(", ")}" if read.any?)].compact.join(": ")
      end

      # How it sounded, fan by fan.
      def heard
        @report.sounds.each do |reading|
          svg = words.spectrum(reading)
          next if svg.empty?
          paper.section @report.sound_words(reading)
          paper.drawing svg, width: CURVE
        end
      end

      # The coil as it was found, and what was painted, heard and measured besides.
      def seen
        map = @report.frost_map
        return unless map
        paper.section "The coil, #{@report.besides.find { |one|
          one.reading == map
        }&.verdict || words.verdict_words(map.verdict)}"
        paper.drawing words.frost_map(map), width: MAP
      end

      # What was moved, and leaks, on this job; what leaks still is said again.
      def refrigerant
        told = @report.refrigerant
        return if told.none?
        paper.section "Refrigerant"
        told.moves.each { |circuit, move|
          paper.text "#{circuit.name}: #{words.moved_words(move)}, by #{move.by.name}."
        }
        told.leaks.each do |circuit, leak|
          paper.text "#{circuit.name}, leak search: #{words.leak_words(leak)}#{". Open still" if leak.open?}.",
            color: leak.open? ? Shared::Paper::BAD : Shared::Paper::INK
        end
      end

      # Nothing is to be proved where nothing was worked on.
      def proof
        return pulldown if @report.faults.none?(&:worked_on?)
        paper.section(@report.proof.proved? ? "Proved" : "Still to be proved")
        @report.proof_lines.each do |text, done|
          paper.text "#{done ? "✓" : "–"}  #{words.in_own_units(text)}",
            color: done ? Shared::Paper::INK : Shared::Paper::BAD
        end
        pulldown
      end

      def pulldown
        reading = job.readings_of("pulldown").last
        return unless reading&.answer
        paper.gap 4
        why = words.in_own_units(reading.reasons.first&.text)
        curve = Shared::Drawing::CoolingCurve.new(result: reading.answer, asked: reading.question,
          food_limit_c: job.product_limit_c, system: words.units)
        paper.drawing curve.svg, width: CURVE,
          caption: "Box on its way down: #{words.verdict_words(reading.verdict)}. #{why}"
      end

      def after
        temporary
        handover = @report.handover or return
        if handover.seen_besides
          paper.section "Seen besides"
          handover.graded.each do |grade, lines|
            paper.text "#{Report::GRADES[grade].upcase_first}: #{lines.join("; ")}",
              color: (grade == "now") ? Shared::Paper::BAD : Shared::Paper::INK
          end
        end
        return unless handover.next_visit_at
        paper.section "Next visit"
        paper.text [words.day_clock(handover.next_visit_at), handover.next_visit_for].compact.join(": ")
      end

      def temporary
        return if @report.temporary.empty?
        paper.section "Temporary measures in place"
        @report.temporary.each { |row| paper.text "#{row["label"]}. To be undone: #{row["undo"]}." }
      end

      # Signed, or that it is not.
      def signature
        handover = @report.handover
        return unsigned unless handover&.signature
        paper.room 130
        paper.section "Signed"
        paper.strokes handover.signature
        paper.small "#{handover.signed_name}, #{words.day_clock(handover.signed_at)}"
        @report.signed_lines.each { |line| paper.small line }
        paper.text @report.unsigned_line, color: Shared::Paper::MUTED if @report.unsigned_line
      end

      def unsigned
        paper.section "Signature"
        paper.text @report.unsigned_line || "Not signed: no reason was noted.", color: Shared::Paper::MUTED
      end
    end
  end
end
