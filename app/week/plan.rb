# frozen_string_literal: true

module Week
  # Who goes where in the coming days: each technician's visits, how full their week is, what
  # does not go together, and the open jobs that nobody is planned for.
  class Plan
    DAYS = 7
    # How long a visit is taken to last where nothing says so.
    MINUTES = 60

    # A visit in its lane; one that somebody came for is moved no more. `conflicts` in words.
    Block = Fenbo::Value.of(:visit, :job, :from, :to, :to_come, :conflicts) do
      def to_come? = to_come
    end
    # A job that nobody is planned for; `missed` the visit of an earlier day that nobody made.
    Waiting = Fenbo::Value.of(:job, :clock, :missed)
    # One technician's: `user`, their blocks, minutes planned and minutes there are.
    Lane = Fenbo::Value.of(:user, :blocks, :planned, :room) do
      def full? = planned > room
    end

    attr_reader :now

    # @param limits [Fenbo::Limits]
    def initialize(now:, limits:)
      @now = now
      @limits = limits
    end

    def first_day = Shared::Shop.local(now).to_date

    def days = (0...DAYS).map { |day| first_day + day }

    # @return [Array<Lane>]
    def lanes
      @lanes ||= technicians.map do |user|
        own = (visits - over).select { |visit| visit.technician_id == user.id }
        blocks = own.map { |visit| block(visit, own) }
        Lane.new(user:, blocks:, planned: blocks.sum { |one| ((one.to - one.from) / 60).round }, room:)
      end
    end

    def conflicts = lanes.flat_map(&:blocks).select { |one| one.conflicts.any? }

    # Open jobs without a visit to come or going on, the ones that can wait least first.
    # @return [Array<Waiting>]
    def unplanned
      planned = visits.reject { |visit| missed?(visit) }.map(&:job_id)
      jobs.reject { |job| planned.include?(job.id) }
        .map { |job|
        Waiting.new(job:, clock: clock(job), missed: over.reverse.find { |visit|
          visit.job_id == job.id
        })
      }
        .sort_by { |one| [one.clock.hours_left || 1e6, one.job.number] }
    end

    def work_hours
      @work_hours ||= Fenbo::Sourcing::WorkHours.read(Fenbo::Input.new(Setting.work_week))
    end

    private

    def technicians = User.in_the_field.order(:name).to_a

    def jobs
      @jobs ||= Job.open.preload(:station_steps, :technician, {unit: {site: :customer}},
        part_choices: %i[motor spare]).to_a
    end

    def visits
      @visits ||= begin
        by_id = jobs.to_h { |job| [job.id, job] }
        Visit.where(ends_at: nil, job_id: by_id.keys, starts_at: ..midnight(first_day + DAYS)).preload(:technician)
          .order(:starts_at).each { |visit| visit.association(:job).target = by_id[visit.job_id] }.to_a
      end
    end

    # Of a visit that goes on since yesterday only what is to come counts.
    def block(visit, own)
      from, to = span(visit)
      to_come = !here.include?(visit.id)
      Block.new(visit:, job: visit.job, from:, to:, to_come:,
        conflicts: to_come ? conflicts_of(visit, from, to, beside(visit, own)) : [])
    end

    # Those that somebody came for and has not left.
    def here
      @here ||= Visit.begun.where(id: visits.map(&:id), starts_at: ..now).ids
    end

    # Its time is over, and nobody came.
    def missed?(visit)
      !here.include?(visit.id) && visit.starts_at + minutes(visit) * 60 < now
    end

    # Of an earlier day: it has no place in the week any more.
    def over
      @over ||= visits.select { |visit| visit.starts_at < midnight(first_day) && missed?(visit) }
    end

    def minutes(visit) = visit.planned_minutes || MINUTES

    def beside(visit, own)
      from, to = span(visit)
      own.select { |one| one != visit && span(one).then { |start, finish| from < finish && start < to } }
    end

    def span(visit)
      from = [visit.starts_at, midnight(first_day)].max
      [from, from + minutes(visit) * 60]
    end

    def conflicts_of(visit, from, to, beside)
      return ["nobody came"] if missed?(visit)
      job = visit.job
      [*beside.map { |other| "at the same time as #{other.job.unit.name}" }, outside(job, from, to),
        closed(job, from, to), part(job, from), limit(job, from)].compact
    end

    def outside(job, from, to)
      start, finish = [from, to].map { |time| naive(time) }
      return if work_hours.minutes_outside(start, finish).zero?
      "outside working hours#{", and this customer pays no overtime" unless job.unit.site.customer.overtime_allowed}"
    end

    def closed(job, from, to)
      hours = job.unit.site.hours
      "while the site is closed (#{hours})" if Fenbo::Sourcing::SiteHours.closed?(hours, naive(from), naive(to))
    end

    def part(job, from)
      late = job.part_choices.select { |one|
        one.superseded_at.nil? && one.fitted_at.nil? && one.ready_at && one.ready_at > from
      }
      "before #{late.first.thing.part_no} is there" if late.any?
    end

    def limit(job, from)
      hours = clock(job).hours_left or return
      "after the product passed its limit" if hours.positive? && from > now + hours * 3600
    end

    def clock(job)
      (@clocks ||= {})[job.id] ||= Fenbo::Product::JobClock.new(job, now:, limits: @limits)
    end

    # Working minutes of the days shown, from now on.
    def room
      @room ||= days.sum do |day|
        at = Time.utc(day.year, day.month, day.day)
        next 0 unless work_hours.working_day?(at)
        [work_hours.to - [work_hours.from, (day == first_day) ? minute_of(now) : 0].max, 0].max
      end
    end

    def midnight(day) = Time.local(day.year, day.month, day.day)

    def minute_of(time)
      Shared::Shop.local(time).then { |at| at.hour * 60 + at.min }
    end

    # The core's week has no zone.
    def naive(time)
      Shared::Shop.local(time).then { |at| Time.utc(at.year, at.month, at.day, at.hour, at.min) }
    end
  end
end
