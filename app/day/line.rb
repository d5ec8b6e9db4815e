# frozen_string_literal: true

module Day
  # One job's line of time: its visits, the part's arrival, the product's drift and
  # the hatched stretch after it passes its limit. The next twelve hours take more
  # than half of the width.
  class Line
    # The signs of the line, each with its word.
    LEGEND = {
      "visit" =>
        %(<svg viewBox="0 0 12 14" class="h-3.5 w-3"><rect width="11" height="14" rx="2" class="visit"/></svg>),
      "part in hand" =>
        %(<svg viewBox="0 0 20 22" class="h-4 w-4"><path d="M1 11 l9 -10 l9 10 l-9 10 Z" class="part-here"/></svg>),
      "product past its limit" =>
        %(<svg viewBox="0 0 22 14" class="h-3.5 w-6"><rect width="22" height="14" class="past-limit"/></svg>),
      "outside working hours" =>
        %(<svg viewBox="0 0 22 14" class="h-3.5 w-6"><rect width="22" height="14" class="night"/></svg>)
    }.freeze

    WIDTH = 760
    HEIGHT = 74
    NEAR_HOURS = 12.0
    FAR_HOURS = 72.0
    NEAR_SHARE = 0.56

    # Where a moment lies on the line; nil beyond its end.
    def self.x(hours)
      return 0.0 if hours <= 0
      return hours / NEAR_HOURS * NEAR_SHARE * WIDTH if hours <= NEAR_HOURS
      (NEAR_SHARE + (hours - NEAR_HOURS) / (FAR_HOURS - NEAR_HOURS) * (1 - NEAR_SHARE)) * WIDTH if hours <= FAR_HOURS
    end

    def initialize(entry, now:, nights:)
      @entry = entry
      @now = now
      @nights = nights
    end

    def svg
      @svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label: words, css: "dayline")
      @nights.each { |from, to| @svg.rect(from, 0, to - from, HEIGHT, "night") }
      limit
      drift
      part
      @entry.visits.each { |visit| visit(visit) }
      @svg.line(1, 0, 1, HEIGHT, "line-now")
      @svg.to_s
    end

    private

    def words
      parts = @entry.visits.map { |one| "visit by #{one.technician.first_name}" }
      parts << "product passes its limit in #{@entry.limit_in_hours.round(1)} hours" if @entry.limit_in_hours
      "Line of time: #{parts.empty? ? "nothing planned" : parts.join(", ")}"
    end

    def hours(time) = (time - @now) / 3600.0

    def limit
      x = @entry.limit_in_hours && self.class.x(@entry.limit_in_hours) or return
      @svg.rect(x, 8, WIDTH - x, 44, "past-limit").line(x, 2, x, 58, "limit-line")
      near_end = x > WIDTH - 150
      @svg.text(
        near_end ? x - 6 : x + 4,
        70,
        @entry.limit_words,
        "limit-words",
        text_anchor: near_end ? "end" : "start"
      )
    end

    # The product's temperature from now on, 0 at the bottom of the band.
    def drift
      temperatures = @entry.temperatures or return
      low, high = temperatures.map(&:last).minmax
      return if high - low < 0.1
      points =
        temperatures.filter_map do |at, c|
          (x = self.class.x(at)) && Shared::Drawing::Svg.p(x, 50 - (c - low) / (high - low) * 38)
        end
      @svg.path("M" + points.join(" L"), "drift")
    end

    def part
      x = @entry.part_at && self.class.x(hours(@entry.part_at)) or return
      @svg.path("M#{x + 2} 30 l9 -11 l9 11 l-9 11 Z", "part-here")
    end

    def visit(visit)
      at = hours(visit.starts_at)
      x = self.class.x(at) or return
      late = @entry.late?(visit, @now)
      @svg.rect(x, 14, 11, 32, late ? "visit visit-late" : "visit", rx: 2)
      near_end = x > WIDTH - 140
      @svg.text(
        near_end ? x - 6 : x + 17,
        35,
        visit_words(visit, at, late),
        late ? "visit-words visit-words-late" : "visit-words",
        text_anchor: near_end ? "end" : "start"
      )
    end

    def visit_words(visit, at, late)
      name = visit.technician.first_name
      return "#{name}, #{@entry.begun_words(visit, @now)}" if at <= 0
      "#{name} #{Shared::Shop.local(visit.starts_at).strftime("%H:%M")}#{" · too late" if late}"
    end
  end
end
