# frozen_string_literal: true

module Fenbo
  module Frost
    # What a painted frost map argues for.
    #
    # in:  grid, rows from the top, cells 0 to 4; feed_end left | right; fans
    #      [{position, columns [first, last], running}]; ring, ice on blade or ring;
    #      door left | right where the coil faces one; visible
    # out: features, signatures [{id, weight}] that sum to one, verdict the heaviest
    # Source: docs/sources.md, looking/frost-map.
    class Reading < Tool
      Question = Value.of(:grid, :fans, :ring, :door, :visible)
      Fan = Value.of(:position, :columns, :running)
      LARGEST = 200

      class << self
        def read(input, _limits)
          rows = read_rows(input)
          feed_end = input.choice("feed_end", %w[left right])
          fans = input.objects("fans", required: false, at_most: 24).map { |row| read_fan(row, width(input)) }
          twice = fans.map(&:position).compact.tally.select { |_, count| count > 1 }.keys
          input.fault("fans", "name #{twice.join(", ")} twice") if twice.any?
          Question.new(
            grid: rows && Grid.new(rows, feed_end:, zones: fans.to_h { |fan| [fan.position, fan.columns] }),
            fans:,
            ring: input.flag("ring", default: false),
            door: input.choice("door", %w[left right], required: false),
            visible: input.flag("visible", default: true)
          )
        end

        private

        # Of the first row, where there is one.
        def width(input)
          first = Array(input.raw("grid")).first
          first.size if first.is_a?(Array)
        end

        # nil when anything is wrong with it; every wrong cell is named.
        def read_rows(input)
          rows = input.list("grid", at_most: LARGEST)
          return nil unless input.given?("grid")
          return input.fault("grid", "needs rows of cells") if rows.empty? || !rows.all?(Array) || rows.first.empty?
          return input.fault("grid", "has more than #{LARGEST} columns") if rows.first.size > LARGEST
          ragged = rows.each_index.reject { |index| rows[index].size == rows.first.size }
          ragged.each do |index|
            input.fault("grid.#{index}", "has #{rows[index].size} cells where the first row has #{rows.first.size}")
          end
          wrong =
            rows.each_with_index.flat_map do |row, y|
              row.each_index.reject { |x| row[x].is_a?(Integer) && LEVELS.cover?(row[x]) }.map { |x| [y, x] }
            end
          wrong.each { |y, x| input.fault("grid.#{y}.#{x}", "must be a whole number from 0 to 4") }
          rows if ragged.empty? && wrong.empty?
        end

        def read_fan(row, width)
          columns = row.numbers("columns", sizes: [2], at_least: 0)
          Fan.new(
            position: row.text("position", longest: 60),
            columns: checked(row, columns, width),
            running: row.flag("running")
          )
        end

        def checked(row, columns, width)
          return nil unless columns
          return row.fault("columns", "are whole numbers") unless columns.all? { |one| one == one.floor }
          return row.fault("columns", "run from the lower to the higher") if columns.first > columns.last
          return row.fault("columns", "go beyond the grid's #{width} columns") if width && columns.last >= width
          columns.map(&:to_i)
        end
      end

      def answer
        unless question.visible
          return (
            Result.new(
              verdict: "not_visible",
              figures: {
                features: question.grid.to_h,
                signatures: [{id: "not_visible", weight: 1.0}]
              },
              reasons: [
                reason(
                  "The coil was not seen: nothing follows from it",
                  "frost.not_visible",
                  source: "looking/frost-map"
                )
              ]
            )
          )
        end
        Result.new(
          verdict: weights.first.first,
          figures: {
            features: question.grid.to_h,
            signatures: weights.map { |id, weight| {id:, weight: weight.round(3)} }
          },
          reasons: Reasons.new(self).list
        )
      end

      def weights = @weights ||= signatures.weights

      def grid = question.grid

      def signatures
        @signatures ||= Signatures.new(grid, ring: question.ring, door: question.door, limits:)
      end
    end
  end
end
