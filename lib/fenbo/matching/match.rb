# frozen_string_literal: true

module Fenbo
  module Matching
    # Candidates graded, the rejected ones with the lines that rejected them.
    #
    # in:  old motor, site, healthy_amps, blade, fit (as the tool `fit`, without L), and motors (a list) or catalog (a
    #      CSV file's path, for the command)
    # out: candidates [{part_no, grade, checks, extra_parts, extra_minutes}],
    #      rejected [{part_no, checks}], verdict the best part number or "none".
    # Ranked by grade, then price, then minutes, then watts. Source: motors/match.
    class Match < Tool
      GRADES = %w[drop_in fits_with_work conversion].freeze
      Question = Value.of(:old, :place, :healthy_amps, :blade, :fit, :motors)
      Judged = Value.of(:motor, :lines) do
        def failing = lines.select { |line| line.result == "fail" }

        def adapting = lines.select { |line| line.result == "adapt" }

        def rejected? = failing.any?

        def grade
          return nil if rejected?
          return "conversion" if motor.kit?
          adapting.empty? ? "drop_in" : "fits_with_work"
        end

        def minutes = adapting.sum(&:minutes)

        def rank = [GRADES.index(grade), motor.price_cents || Float::INFINITY, minutes, motor.watts || 0, motor.part_no.to_s]

        def to_h
          {part_no: motor.part_no, grade:, checks: lines.map(&:to_h), extra_parts: adapting.filter_map(&:part), extra_minutes: minutes}
        end
      end

      def self.read(input, limits)
        blade = input.object("blade", required: false)
        Question.new(
          old: Motor.read(input.object("old")), place: Place.read(input.object("site")),
          healthy_amps: input.number("healthy_amps", required: false, above: 0),
          blade: {bore_mm: blade.number("bore_mm", required: false, above: 0)}, fit: read_fit(input, limits), motors: read_motors(input)
        )
      end

      # Each candidate brings its own shaft; the rest is read once.
      def self.read_fit(input, limits)
        return nil unless input.given?("fit")
        input.object("fit")
        lengths = input.raw("fit")
        Fitting::Question.read(input.nested(lengths.merge("L" => 1), "fit"), limits) if lengths.is_a?(Hash)
      end

      def self.read_motors(input)
        return input.objects("motors", at_most: 200_000).map { |one| Motor.read(one) } unless input.given?("catalog")
        file = input.text("catalog") or return []
        return input.fault("catalog", "cannot be read: there is no such file") || [] unless File.file?(file)
        Catalog.rows(file).each_with_index.map { |row, index| Motor.read(input.nested(row, "catalog.#{index + 2}")) }
      end

      def answer
        Result.new(verdict: candidates.first&.motor&.part_no || "none",
          figures: {candidates: candidates.map(&:to_h), rejected: rejected.map { |one| {part_no: one.motor.part_no, checks: one.failing.map(&:to_h)} }},
          reasons:)
      end

      def judged
        @judged ||= question.motors.map do |motor|
          Judged.new(motor:, lines: Checks.lines(Checks::Context.new(old: question.old, candidate: motor, place: question.place,
            limits:, healthy_amps: question.healthy_amps, blade: question.blade, fit: question.fit)))
        end
      end

      def candidates = @candidates ||= judged.reject(&:rejected?).sort_by(&:rank)

      # Nearest misses first: fewest failing lines, then the same family.
      def rejected = @rejected ||= judged.select(&:rejected?).sort_by { |one| [one.failing.size, (one.motor.family == question.old.family) ? 0 : 1, one.motor.part_no.to_s] }

      private

      def reasons
        best = candidates.first
        return [reason("None of #{judged.size} motors passes every check", "match.none", source: "motors/match")] unless best
        [reason("#{best.motor.part_no} #{(best.grade == "drop_in") ? "drops in" : "fits with #{best.adapting.size} matters to adapt"}", "match.best", source: "motors/match"), nearest].compact
      end

      def nearest
        miss = rejected.first or return nil
        reason("#{miss.motor.part_no} was rejected: #{miss.failing.map(&:reason).join("; ")}", "match.rejected", source: "motors/match")
      end
    end
  end
end
