# frozen_string_literal: true

module Day
  # What needs what next: open jobs in the order in which they cannot wait.
  class Board
    Entry =
      Struct.new(:job, :clock, :visits, :waits_for, :temporary, :part_at, :limit_in_hours,
        keyword_init: true) do
        def temperatures
          return nil unless clock.known?
          (0..24).map { |step| step * 3.0 }.map { |hours| [hours, clock.temperature_in(hours)] }
        end

        # Whether a visit comes after the product's limit.
        def late?(visit, now)
          !limit_in_hours.nil? && (visit.starts_at - now) / 3600.0 > limit_in_hours
        end

        # What it waits for, or that nobody has it yet.
        def standing_words
          told = [("waits for #{waits_for}" if waits_for),
            ("meanwhile #{temporary.downcase_first}" if temporary)].compact
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
      User.in_the_field.map do |user|
        [
          user,
          entries
            .flat_map do |entry|
              entry.visits.select { |visit| visit.technician_id == user.id }.map { |visit| [visit, entry.job] }
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

    # Words that would lie on others go: days stay before hours, and all before "now".
    def spread(marks)
      taken = [-WORD..WORD]
      marks.map do |x, words, strong|
        free = taken.none? { |range| range.cover?(x) }
        taken << ((x - WORD)..(x + WORD)) if free
        [x, free ? words : "", strong]
      end
    end

    # Room for a mark's words.
    WORD = 76
    private_constant :WORD

    def jobs
      Job
        .open
        .preload(
          :station_steps,
          {unit: :site},
          :technician,
          :part_orders,
          :proof_checks,
          decisions: :user,
          quotes: :quote_answers,
          part_choices: %i[motor spare],
          visits: :technician
        )
        .to_a
    end

    def limits = @limits ||= Shared::Shop.limits

    def entry(job)
      clock = Fenbo::Product::JobClock.new(job, now:, limits:)
      Entry.new(
        job:,
        clock:,
        visits: job.visits.reject(&:ends_at),
        waits_for: waits_for(job),
        temporary: temporary(job),
        part_at: part_at(job),
        limit_in_hours: (clock.past? ? 0.0 : clock.hours_left)
      )
    end

    def part_at(job)
      choice = job.part_choices.reject(&:superseded_at).last
      choice&.ready_at if choice&.ready_at && choice.ready_at > now
    end

    # A quote was made above what may be spent, and nobody answered it yet.
    def unanswered?(job)
      last = job.quotes.last
      last&.limit_cents && last.quote_answers.empty? && last.options.first["needs_approval"]
    end

    # A stopgap that holds the product and is to be undone: its words; nil where none does.
    def temporary(job)
      return if job.proof_checks.any? { |check| check.check_id == "undone" }
      kept = job.part_choices.reject(&:superseded_at).filter_map { |choice| choice.offer.to_h["stopgap"] }.last
      kept && Fenbo::Product::Stopgaps.table[kept]&.fetch("label")
    end

    # What it is stuck for, in words; nil when somebody can simply go on.
    def waits_for(job)
      if job.status == "awaiting_countersign" || job.decisions.reject(&:voided?).last&.awaits_countersign?
        return "a technician's countersign"
      end
      return "their yes to quote #{job.number}-#{job.quotes.last.version}" if unanswered?(job)
      silent = job.part_orders.find { |order| order.state == "to_send" }
      return "an answer from #{silent.supplier_name}" if silent
      choice = job.part_choices.reject(&:superseded_at).last
      if choice&.ready_at && choice.ready_at > now
        return "part #{choice.thing.part_no}, #{Shared::Shop.local(choice.ready_at).strftime("%a %H:%M")}"
      end
      "an order for #{choice.thing.part_no}" if choice && choice.offer.nil?
    end

    # The core's week has no zone: the local clock read as if it were one.
    def naive(time)
      local = Shared::Shop.local(time)
      Time.utc(local.year, local.month, local.day, local.hour, local.min)
    end
  end
end
