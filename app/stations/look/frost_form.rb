# frozen_string_literal: true

module Stations
  module Look
    # A frost map of a unit: the grid as painted (or opened from a file), the fans' zones
    # and which of them run, from what was found; read by the core and kept with its
    # weights as a finding for each fan.
    class FrostForm
      ROWS = 6
      COLUMNS_A_FAN = 4
      MOST_COLUMNS = 48

      attr_reader :result, :faults

      def initialize(job, user, params)
        @job = job
        @user = user
        @params = params
        @faults = {}
      end

      # The coil's fans: only evaporators frost.
      def positions
        @positions ||= @job.unit.fan_positions.select { |position| position.side == "evaporator" }
      end

      def columns
        size("columns", [positions.size * COLUMNS_A_FAN, 8].max, MOST_COLUMNS)
      end

      def rows = size("rows", ROWS, 12)

      # What is on the page: as painted, else the job's last map, else bare.
      def grid
        painted = @params["grid"].to_s
        return parsed(painted) || blank unless painted.empty?
        kept = last_of(@job)
        if kept && kept.question["grid"].size == rows && kept.question["grid"].first.size == columns
          kept.question["grid"]
        else
          blank
        end
      end

      # Nothing painted, nothing opened, nothing kept: the page asks, it does not judge.
      def untouched? = !@params.key?("grid") && last_of(@job).nil?

      def feed_end
        if %w[left right].include?(@params["feed_end"])
          @params["feed_end"]
        else
          last_of(@job)&.question&.dig("feed_end") || "left"
        end
      end

      def ring?
        @params.key?("grid") ? @params["ring"] == "1" : last_of(@job)&.question&.fetch("ring", false)
      end

      def hidden? = @params["hidden"] == "1"

      def fans
        width = columns.fdiv([positions.size, 1].max)
        positions.each_with_index.map do |position, index|
          {
            "position" => position.key,
            "columns" => [(index * width).round, ((index + 1) * width).round - 1],
            "running" => running(position)
          }
        end
      end

      # Maps of this unit before this job, latest first.
      def earlier
        @earlier ||=
          Reading
            .live
            .where(kind: "frost", job: @job.unit.jobs.where.not(id: @job.id))
            .order(taken_at: :desc)
            .limit(6)
            .to_a
      end

      def ask
        painted = @params["grid"].to_s.empty? ? grid : parsed(@params["grid"].to_s)
        faults["grid"] = "This map could not be read. Paint it again, or open another file." if painted.nil?
        return false if faults.any?
        @result = Fenbo::Tools.call("frost", question(painted), limits: Shared::Shop.limits)
        if @result.refused?
          @result.faults.each { |fault| faults["grid"] ||= "The map at #{fault.field}: #{fault.message}." }
        end
        faults.empty?
      end

      def keep(client_id:, visit:)
        Reading.transaction do
          known = Reading.find_by(client_id:)
          reading =
            Reading.record(
              client_id:,
              job: @job,
              visit:,
              fan_position: positions.first,
              user: @user,
              kind: "frost",
              phase: "before",
              typed: {},
              question: @asked,
              result: result.to_h.as_json,
              verdict: result.verdict,
              meter: nil
            )
          positions.each { |position| note(position, reading, visit) } unless reading == known
          reading
        end
      end

      private

      def size(name, usual, most)
        given = @params[name].to_s
        return given.to_i.clamp(2, most) if given.match?(/\A\d{1,3}\z/)
        last_of(@job)&.question&.fetch("grid")&.then { |grid| (name == "rows") ? grid.size : grid.first.size } || usual
      end

      def blank = Array.new(rows) { Array.new(columns, 0) }

      def parsed(text)
        value = JSON.parse(text)
        value = value["grid"] if value.is_a?(Hash)
        if value.is_a?(Array) && value.size.between?(1, 200) &&
            value.all? { |row|
              row.is_a?(Array) && row.size.between?(1, 200) && row.all? { |cell| (0..4).cover?(cell) }
            }
          value
        end
      rescue JSON::ParserError
        nil
      end

      def question(painted)
        @asked = {
          "grid" => painted,
          "feed_end" => feed_end,
          "fans" => fans,
          "ring" => ring? || false,
          "visible" => !hidden?
        }
      end

      def running(position)
        seen =
          @job.findings.reverse.find do |one|
            one.test == "fan_motion" && one.fan_position_id == position.id && !one.voided?
          end
        {
          "normal" => true,
          "slow" => true,
          "reversed" => true,
          "intermittent" => true,
          "stopped" => false,
          "twitching" => false
        }[
          seen&.outcome
        ]
      end

      def last_of(job)
        (@last_of ||= {})[job.id] ||= job.readings.reverse.find { |one| one.kind == "frost" && !one.voided? }
      end

      # For one fan: ice behind another fan is no finding of this one.
      def note(position, reading, visit)
        weights = result[:signatures].to_h { |one| one.values_at(:id, :weight) }
        foremost = result[:features][:zones].reject { |zone| zone[:contrast].nil? }.max_by { |zone| zone[:contrast] }
        other = weights.delete("behind_one_fan") unless foremost&.fetch(:position) == position.key
        weights["even_light"] = weights.fetch("even_light", 0) + other if other
        outcome = weights.max_by(&:last).first
        Finding.record(
          client_id: SecureRandom.uuid,
          job: @job,
          visit:,
          fan_position: position,
          user: @user,
          test: "frost_pattern",
          outcome:,
          weights:,
          reading:
        )
      end
    end
  end
end
