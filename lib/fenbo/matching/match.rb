# frozen_string_literal: true

module Fenbo
  module Matching
    # Candidates graded, the rejected ones with the lines that rejected them.
    #
    # in:  old motor, site, healthy_amps, blade {bore_mm, kind, rotation from the discharge
    #      side, air}, fit (as the tool `fit`, without L), and
    #      motors (a list) or catalog (a CSV file's path, for the command); accessories
    #      (listed bushings and brackets; null: not known what can be had)
    # out: candidates [{part_no, grade, checks, extra_parts, extra_minutes, listed, settings,
    #      also, transfers, kit, effects}], rejected [{part_no, checks}], verdict the best
    #      part number or "none".
    # Ranked by grade, then availability and landed cost, then minutes, then watts.
    # Source: motors/match.
    class Match < Tool
      GRADES = %w[drop_in fits_with_work conversion].freeze
      WORDS = {"drop_in" => "drops in", "fits_with_work" => "fits", "conversion" => "is a conversion"}.freeze
      Question = Value.of(:old, :place, :healthy_amps, :blade, :fit, :motors, :accessories)
      def self.read(input, limits)
        Question.new(
          old: Motor.read(input.object("old")),
          place: Place.read(input.object("site")),
          healthy_amps: input.number("healthy_amps", required: false, above: 0),
          blade: read_blade(input.object("blade", required: false)),
          fit: read_fit(input, limits),
          motors: read_motors(input),
          accessories:
            input.given?("accessories") ? input.objects("accessories").map { |one| Accessory.read(one) } : nil
        )
      end

      def self.read_blade(input)
        blade = Blade.read(input)
        {
          bore_mm: blade.bore_mm,
          diameter_mm: blade.diameter_mm,
          kind: input.text("kind", required: false, longest: 60) || blade.hub,
          sense: blade.motor_sense
        }
      end

      # Each candidate brings its own shaft; the rest is read once.
      def self.read_fit(input, limits)
        return nil unless input.given?("fit")
        input.object("fit")
        lengths = input.raw("fit")
        Clearance::Question.read(input.nested(lengths.merge("L" => 1), "fit"), limits) if lengths.is_a?(Hash)
      end

      def self.read_motors(input)
        return input.objects("motors", at_most: 200_000).map { |one| Motor.read(one) } unless input.given?("catalog")
        file = input.text("catalog") or return []
        return input.fault("catalog", "cannot be read: there is no such file") || [] unless File.file?(file)
        Catalog.rows(file).map { |line, row| Motor.read(input.nested(row, "catalog.#{line}")) }
      rescue SystemCallError
        input.fault("catalog", "cannot be read") || []
      rescue CSV::MalformedCSVError => problem
        input.fault("catalog", "is not CSV: #{problem.message}") || []
      end

      def answer
        Result.new(
          verdict: candidates.first&.motor&.part_no || "none",
          figures: {
            candidates: candidates.map(&:to_h),
            rejected: rejected.map { |one| {part_no: one.motor.part_no, checks: one.failing.map(&:to_h)} }
          },
          reasons:
        )
      end

      # The measured place, or nil; motors with like shafts are solved once.
      def place = @place ||= question.fit && FitPlace.new(question.fit, limits)

      # What the checks look at, of one candidate or, for their narrowings, of none.
      def context(candidate = nil)
        Checks::Context.new(
          old: question.old,
          candidate:,
          place: question.place,
          limits:,
          healthy_amps: question.healthy_amps,
          blade: question.blade,
          fit: place,
          accessories: question.accessories
        )
      end

      def judged
        @judged ||=
          question.motors.map do |motor|
            Judged.new(
              motor:,
              lines: Checks.lines(context(motor)),
              effects: Effects.of(question.old, motor, limits),
              place: question.place,
              old: question.old
            )
          end
      end

      def candidates
        @candidates ||= judged.reject(&:rejected?).sort_by(&:rank)
      end

      # Nearest misses first: fewest failing lines, then the same family.
      def rejected
        @rejected ||=
          judged
            .select(&:rejected?)
            .sort_by do |one|
              [one.failing.size, (one.motor.family == question.old.family) ? 0 : 1, one.motor.part_no.to_s]
            end
      end

      private

      def reasons
        best = candidates.first
        return [reason(nothing, "match.none", source: "motors/match")] unless best
        [
          reason("#{best.motor.part_no} #{WORDS.fetch(best.grade)}#{work(best)}", "match.best", source: "motors/match"),
          nearest
        ].compact
      end

      def nothing
        judged.empty? ? "There is no motor to choose from" : "None of #{judged.size} motors passes every check"
      end

      def work(best)
        count = best.adapting.size
        " with #{count} #{(count == 1) ? "matter" : "matters"} to adapt" if count.positive?
      end

      def nearest
        miss = rejected.first or return nil
        reason(
          "#{miss.motor.part_no} was rejected: #{miss.failing.map(&:reason).join("; ")}",
          "match.rejected",
          source: "motors/match"
        )
      end
    end
  end
end
