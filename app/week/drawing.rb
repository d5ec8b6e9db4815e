# frozen_string_literal: true

module Week
  # The week as lanes: a row a technician, a column a day, each visit a block that a hand may
  # drag to another hour or another lane.
  class Drawing
    LEFT, DAY, ROW, TOP = 104, 156, 74, 26
    # The hours of a day that are drawn, unless the shop or a visit begins earlier or ends later.
    USUAL = [6, 20].freeze
    WIDTH = LEFT + DAY * Plan::DAYS
    LEAST = 12
    LETTER = 7.6

    # @param plan [Plan]
    # @param movable [Boolean] whether whoever looks may move a visit
    def initialize(plan, movable:)
      @plan = plan
      @movable = movable
    end

    def svg
      @svg = Shared::Drawing::Svg.new(WIDTH, height, label: words, css: "plate week", role: "group")
      @plan.days.each_with_index { |day, index| day(day, LEFT + index * DAY) }
      @plan.lanes.each_with_index { |lane, index| lane(lane, TOP + index * ROW) }
      now
      @svg.to_s
    end

    # What the script needs to know of where things are.
    def measures
      {left: LEFT, day: DAY, row: ROW, top: TOP, from: first_hour, to: last_hour, first: @plan.first_day.iso8601,
       lanes: @plan.lanes.map { |lane| lane.user.id.to_s }}
    end

    private

    def first_hour
      @first_hour ||= [USUAL.first, @plan.work_hours.from / 60, *visited.map(&:first)].min
    end

    def last_hour
      @last_hour ||= [USUAL.last, (@plan.work_hours.to / 60.0).ceil, *visited.map(&:last)].max
    end

    # In which hours of its day each visit to come begins and ends; one that nobody made widens nothing.
    def visited
      @visited ||= @plan.lanes.flat_map(&:blocks).select { |block| block.from >= @plan.now }.map { |block|
        start, finish = [block.from, block.to].map { |time| Shared::Shop.local(time) }
        [start.hour, (finish.to_date > start.to_date) ? 24 : (finish.hour + finish.min / 60.0).ceil]
      }
    end

    def height = TOP + ROW * @plan.lanes.size

    def words
      "The week: " + @plan.lanes.map { |lane| "#{lane.user.first_name} #{lane.blocks.size} visits" }.join(", ")
    end

    def day(day, x)
      @svg.line(x, 0, x, height, "line-medium").text(x + 6, 17, day.strftime("%a %-d %b"), "visit-words")
      at = Time.utc(day.year, day.month, day.day)
      hours = @plan.work_hours
      return @svg.rect(x, TOP, DAY, height - TOP, "night") unless hours.working_day?(at)
      @svg.rect(x, TOP, place(hours.from / 60.0), height - TOP, "night")
      @svg.rect(x + place(hours.to / 60.0), TOP, DAY - place(hours.to / 60.0), height - TOP, "night")
    end

    # Within a day, by the hour.
    def place(hour)
      (hour.clamp(first_hour, last_hour) - first_hour) / (last_hour - first_hour).to_f * DAY
    end

    def x(time)
      local = Shared::Shop.local(time)
      LEFT + (local.to_date - @plan.first_day).to_i * DAY + place(local.hour + local.min / 60.0)
    end

    def lane(lane, y)
      @svg.line(0, y + ROW, WIDTH, y + ROW, "line-thin").text(0, y + 24, lane.user.first_name, "visit-words")
      load(lane, y + 34)
      rows = stacked(lane.blocks)
      rows.each_with_index do |row, index|
        row.each_with_index { |block, place| block(block, y + 8 + index * 30, row[place + 1]) }
      end
    end

    # How full the week is: minutes planned of minutes there are.
    def load(lane, y)
      share = (lane.room.zero? ? 1.0 : lane.planned.fdiv(lane.room)).clamp(0, 1)
      @svg.rect(0, y, LEFT - 16, 10, "line-thin-box").rect(0, y, (LEFT - 16) * share, 10,
        lane.full? ? "work-late" : "work-done")
      @svg.text(0, y + 26, "#{lane.planned / 60} of #{lane.room / 60} h", "tiny")
    end

    # One after the other in two rows, so that names have room.
    def stacked(blocks)
      blocks.sort_by(&:from).partition.with_index { |_, index| index.even? }
    end

    def block(block, y, following)
      from = x(block.from)
      wide = [x(block.to) - from, LEAST].max
      name = block.job.unit.name
      css = block.conflicts.any? ? "visit-clash" : "visit"
      @svg.group(**handle(block)) do
        @svg.rect(from, y, wide, 26, css, rx: 2)
        room = [DAY - 20, (following ? x(following.from) : WIDTH) - from - wide - 6].min
        @svg.text(from + wide + 4, y + 18, name.truncate([room / LETTER, 3].max.to_i), "week-words") if room > 24
      end
    end

    def handle(block)
      visit = block.visit
      return {class: "week-block"} unless @movable && block.to_come?
      {:class => "week-block", "data-visit" => visit.id, "tabindex" => "0", "role" => "button",
       "aria-label" => "#{block.job.unit.name}, #{visit.technician.first_name}, " \
                       "#{Shared::Shop.local(block.from).strftime("%a %H:%M")}"}
    end

    def now
      at = x(@plan.now)
      @svg.line(at, TOP, at, height, "line-now")
    end
  end
end
