# frozen_string_literal: true

module Fenbo
  module Matching
    # One listed part with the lines of its checks, what it could not be held against, and its grade.
    SpareJudged =
      Value.of(:part, :lines, :compare) do
        def part_no = part["part_no"]

        def failing = lines.select { |line| line.result == "fail" }

        def adapting = lines.select { |line| line.result == "adapt" }

        def rejected? = failing.any?

        def grade
          return nil if rejected?
          adapting.empty? ? "drop_in" : "fits_with_work"
        end

        # "fits", or what has to be compared first: nobody knows yet whether it does.
        define_singleton_method(:words) do |grade, compare|
          return Match::WORDS.fetch(grade) if compare.empty?
          listed = [compare[..-2].join(", "), compare.last].reject(&:empty?).join(" and ")
          "may fit: #{listed} to be compared first"
        end

        def words = self.class.words(grade, compare)

        # What nobody has comes last; then grade, how soon, and at what price.
        def rank
          [(part["obtainable"] == false) ? 1 : 0, Match::GRADES.index(grade), part["available_hours"] || 0,
            part["landed_cents"] || part["price_cents"] || Float::INFINITY, part_no.to_s]
        end

        def extra_work
          adapting.select(&:work).map { |line| {id: line.work, minutes: line.minutes.ceil} }
        end

        def to_h
          {part_no:, grade:, compare:, checks: lines.map(&:to_h), extra_work:, extra_minutes: adapting.sum(&:minutes)}
        end
      end
  end
end
