# frozen_string_literal: true

module Stations
  module Look
    # A frost map of a unit: the grid as painted (or opened from a file), the fans' zones
    # and which of them run, from what was found; read by the core and kept with its
    # weights as a finding for each fan.
    class FrostForm < Shared::Form
      ROWS = 6
      COLUMNS_A_FAN = 4
      MOST_COLUMNS = 48

      attr_reader :result

      # @param job [Fenbo::JobFile::Job]
      def initialize(job, params)
        super(params)
        @job = job
      end

      # The coil's fans: only evaporators frost.
      def positions
        @positions ||= @job.unit.fans.select { |position| position.side == "evaporator" }
      end

      def columns
        size("columns", [positions.size * COLUMNS_A_FAN, 8].max, MOST_COLUMNS)
      end

      def rows = size("rows", ROWS, 12)

      # What is on the page: as painted, else the job's last map, else bare.
      def grid
        painted = params["grid"].to_s
        return parsed(painted) || blank unless painted.empty?
        kept = last
        if kept && kept.question["grid"].size == rows && kept.question["grid"].first.size == columns
          kept.question["grid"]
        else
          blank
        end
      end

      # Nothing painted, nothing opened, nothing kept: the page asks, it does not judge.
      def untouched? = !params.key?("grid") && last.nil?

      def feed_end
        if %w[left right].include?(params["feed_end"])
          params["feed_end"]
        else
          last&.question&.dig("feed_end") || "left"
        end
      end

      def ring?
        params.key?("grid") ? params["ring"] == "1" : last&.question&.fetch("ring", false)
      end

      def hidden? = params["hidden"] == "1"

      # What a picture is called; one that was painted and is none was seen all the same.
      def label(picture)
        return "No clear picture" if picture == "not_visible" && !hidden?
        Fenbo::Diagnosis::Test["frost_pattern"].label(picture)
      end

      # What the map fits, where that is more than one.
      def others = (result.signatures.size > 1) ? result.signatures : []

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
        @earlier ||= UnitReadings.new(@job.unit.uid).maps(besides: @job.uid)
      end

      # Whether an earlier map can be laid beside what is painted now.
      def beside?(reading)
        grid = reading.question["grid"]
        !untouched? && grid.size == rows && grid.first.size == columns
      end

      def ask
        painted = params["grid"].to_s.empty? ? grid : parsed(params["grid"].to_s)
        fault("grid", "This map could not be read. Paint it again, or open another file.") if painted.nil?
        return false unless clean?
        @result = Fenbo.call(:frost, question(painted), limits: Shared::Shop.limits)
        if @result.refused?
          @result.faults.each { |one| fault("grid", "The map at #{one.field}: #{one.message}.") }
        end
        clean?
      end

      # The reading to be kept, with a finding for each fan.
      def entry(id:)
        Entries::Reading.new(id:, fan: positions.first&.key, kind: "frost", question: @asked, result:,
          findings: positions.map { |fan| Fenbo::Frost::OfFan.new(result, fan.key).finding })
      end

      private

      def size(name, usual, most)
        given = params[name].to_s
        return given.to_i.clamp(2, most) if given.match?(/\A\d{1,3}\z/)
        last&.question&.fetch("grid")&.then { |grid| (name == "rows") ? grid.size : grid.first.size } || usual
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

      def running(fan)
        Fenbo::Diagnosis::Test["fan_motion"].turning?(@job.answer_to("fan_motion", fan.key)&.outcome)
      end

      def last = @last ||= @job.readings_of("frost").last
    end
  end
end
