# frozen_string_literal: true

module Units
  # What a unit's fans drew over the years, and what was done to them.
  class History
    # phase: "before" the work of its job, or "after" it
    Point = Fenbo::Value.of(:at, :amps, :verdict, phase: "before", error: nil)

    def initialize(unit, limits:)
      @unit = unit
      @limits = limits
      @points = {}
    end

    # Amps over time; the highest leg where there are three.
    def points(position)
      @points[position.id] ||= rows(position).filter_map do |at, verdict, phase, legs|
        leg = legs&.max_by { |one| one["amps"] } or next
        Point.new(at: Shared::Shop.local(at), verdict:, phase:, amps: leg["amps"], error: leg["error"])
      end
    end

    # When a motor took another's place, between the first reading and the last.
    # @return [Array<Date>]
    def exchanges(position)
      days = motors(position).filter_map(&:installed_on)
      first, last = points(position).map { |point| point.at.to_date }.minmax
      first ? days.select { |day| day.between?(first, last) }.sort : []
    end

    def window(position) = rows(position).last&.last

    # Whether the amps of the motor that is in creep; what it drew stalled is left out.
    # @return [Answer] of the tool trend
    def trend(position)
      list = of_motor_now(position).reject { |point| %w[none locked].include?(point.verdict) }
      first = list.first&.at
      readings = list.map { |point|
        {"day" => (point.at - first) / 86_400.0, **point.to_h.slice(:amps, :error).transform_keys(&:to_s)}
      }
      Fenbo.call(:trend, {"readings" => readings}, limits: @limits)
    end

    # Frost maps and recordings over the years, latest first; without their results, which hold
    # whole curves.
    def maps = seen.fetch("frost", [])

    def recordings = seen.fetch("sound", [])

    def jobs
      @jobs ||= @unit.jobs.preload(:decisions).order(opened_at: :desc).to_a
    end

    # @return [Latest, nil] nil where it has had no job
    def latest = jobs.any? ? Latest.new(@unit, jobs.first) : nil

    def motors(position)
      position.fitted_motors.sort_by { |motor| motor.installed_on || Date.new(1900) }.reverse
    end

    private

    # On the day of an exchange the new motor's are those after the work.
    def of_motor_now(position)
      since = position.motor_now&.installed_on or return points(position)
      points(position).select do |point|
        day = point.at.to_date
        day > since || (day == since && point.phase == "after")
      end
    end

    # Of all the unit's fans at once, and of each result no more than is drawn.
    def rows(position)
      @rows ||=
        Reading
          .live
          .where(fan_position: @unit.fan_positions, kind: "amps")
          .order(:taken_at)
          .pluck(:fan_position_id, :taken_at, :verdict, :phase,
            Arel.sql("result->'legs'"), Arel.sql("result->'window'"))
          .group_by(&:first)
      (@rows[position.id] || []).map { |row| row.drop(1) }
    end

    def seen
      @seen ||= Reading.give(Reading.find_by_sql(SEEN, [@unit.id], preparable: true), [:job, :fan_position],
        from: [*jobs, *@unit.fan_positions]).group_by(&:kind)
    end

    # Of one kind no more than the page shows.
    of = lambda do |kind, most, question|
      <<~SQL
        (SELECT id, job_id, fan_position_id, kind, verdict, taken_at, #{question} FROM readings
         WHERE kind = '#{kind}' AND voided_at IS NULL AND job_id IN (SELECT id FROM jobs WHERE unit_id = $1)
         ORDER BY taken_at DESC LIMIT #{most})
      SQL
    end
    SEEN = [of.call("frost", 6, "question"), of.call("sound", 10, "NULL")].join(" UNION ALL ").squish.freeze
    private_constant :SEEN
  end
end
