# frozen_string_literal: true

module Day
  # What needs what next: open jobs in the order in which they cannot wait.
  class Board
    Entry =
      Struct.new(:job, :clock, :visits, :here, :waits_for, :temporary, :part_at, :limit_in_hours,
        keyword_init: true) do
        def temperatures
          return nil unless clock.known?
          (0..24).map { |step| step * 3.0 }.map { |hours| [hours, clock.temperature_in(hours)] }
        end

        # Whether a visit comes after the product's limit.
        def late?(visit, now)
          !limit_in_hours.nil? && (visit.starts_at - now) / 3600.0 > limit_in_hours
        end

        # Of a visit whose hour has come: since when somebody is there, or when it was due.
        def begun_words(visit, now)
          at, today = [visit.starts_at, now].map { |time| Shared::Shop.local(time) }
          "#{here.include?(visit.id) ? "here since" : "was due"} " +
            at.strftime((at.to_date == today.to_date) ? "%H:%M" : "%a %H:%M")
        end

        # What it waits for, or that nobody has it yet.
        def standing_words
          told = [("waits for #{waits_for}" if waits_for), temporary].compact
          return told.join(", ") if told.any?
          job.technician ? "" : "nobody yet"
        end

        def limit_words
          return "past its limit" if limit_in_hours <= 0
          hours, minutes = (limit_in_hours * 60).round.divmod(60)
          "limit in #{hours} h #{minutes.to_s.rjust(2, "0")}"
        end
      end

    attr_reader :now

    def initialize(now:)
      @now = now
    end

    def entries
      @entries ||=
        jobs
          .map { |job| entry(job) }
          .sort_by do |entry|
            [entry.limit_in_hours || 1e6, entry.visits.first&.starts_at || now + 1e9, entry.job.number]
          end
    end

    def running
      entries.count { |entry| entry.clock.running? || entry.clock.past? }
    end

    def stuck = entries.count { |entry| entry.waits_for }

    # Each technician's next visits, in order.
    def lanes
      people.map do |user|
        [
          user,
          entries
            .flat_map do |entry|
              entry.visits.select { |visit| visit.technician_id == user.id }.map { |visit| [visit, entry] }
            end
            .sort_by { |visit, _| visit.starts_at }
        ]
      end
    end

    # Stretches outside working hours, as places on the line.
    def nights
      week = Fenbo::Sourcing::WorkHours.read(Fenbo::Input.new(Setting.work_week))
      start = naive(now)
      closed =
        (0...Line::FAR_HOURS.to_i * 2)
          .map { |half| half / 2.0 }
          .reject { |hours| week.open?(start + hours * 3600) }
      closed
        .slice_when { |one, other| other - one > 0.5 }
        .map do |run|
          [Line.x(run.first), Line.x([run.last + 0.5, Line::FAR_HOURS].min)]
        end
    end

    # Midnights and the hours worth naming: [place, words, strong].
    def marks
      midnights =
        (1..3)
          .map { |days| Shared::Shop.local(now).to_date + days }
          .filter_map do |date|
            x = Line.x((Time.local(date.year, date.month, date.day) - now) / 3600.0)
            [x, date.strftime("%a"), true] if x
          end
      spread(midnights + [3, 6, 9].map { |hours| [Line.x(hours), "+#{hours} h", false] })
    end

    private

    # Words that would lie on others go: days stay before hours, and all before "now", through
    # which no stroke goes either.
    def spread(marks)
      taken = [-WORD..WORD]
      marks.reject { |x, _| x < WORD }.map do |x, words, strong|
        free = taken.none? { |range| range.cover?(x) }
        taken << ((x - WORD)..(x + WORD)) if free
        [x, free ? words : "", strong]
      end
    end

    # Room for a mark's words.
    WORD = 76
    private_constant :WORD

    def jobs
      @jobs ||=
        Job.give(
          Job.open.preload(:visits, unit: :site).to_a,
          [:technician, {visits: :technician}],
          from: people
        )
    end

    def people = @people ||= User.in_the_field.to_a

    # Visits that somebody came for and has not left.
    def here
      @here ||= begin
        due = jobs.flat_map { |job| job.visits.select { |visit| visit.ends_at.nil? && visit.starts_at <= now } }
        due.empty? ? [] : Visit.begun.where(id: due).ids
      end
    end

    def waits = @waits ||= Waits.new(jobs, now:)

    def limits = @limits ||= Shared::Shop.limits

    def entry(job)
      job.stations_done = waits.done(job)
      clock = Fenbo::Product::JobClock.new(job, now:, limits:)
      Entry.new(
        job:,
        clock:,
        visits: job.visits.reject(&:ends_at),
        here:,
        waits_for: waits.words(job),
        temporary: waits.temporary(job),
        part_at: waits.part_at(job),
        limit_in_hours: (clock.past? ? 0.0 : clock.hours_left)
      )
    end

    # The core's week has no zone: the local clock read as if it were one.
    def naive(time)
      local = Shared::Shop.local(time)
      Time.utc(local.year, local.month, local.day, local.hour, local.min)
    end
  end
end
