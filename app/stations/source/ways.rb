# frozen_string_literal: true

module Stations
  module Source
    # The ways to get the part as they are drawn under the product's clock: those that can be
    # taken, best first, then what a rule or a supplier forbids, each with its reason.
    class Ways
      # One of them. Hours count from now; `rule` in words where it cannot be taken, `closed` the
      # hours of a site that is closed while it would be worked.
      Way = Fenbo::Value.of(:option, :offer, :stopgap, :ready_hours, :start_hours, :finish_hours, :stopgap_hours,
        :limit_hours, :total_cents, :times, rule: nil, closed: nil, marks: []) do
        def ruled_out? = !rule.nil?

        def had? = !finish_hours.nil?

        def movable? = !ruled_out?

        def key = [offer, stopgap, option&.overtime].join("|")

        def late?
          !option.nil? && !option.margin_hours.nil? && option.margin_hours.negative?
        end

        # How its work is drawn.
        def css
          return "work-ruled" if ruled_out?
          late? ? "work-late" : "work-done"
        end
      end

      MOST = 7
      # A way that is no option.
      BARE = {option: nil, stopgap: nil, stopgap_hours: 0.0, limit_hours: nil}.freeze
      # What forbids a way, in words; what cannot be had says why itself.
      RULES = {"overtime" => "their rule: no overtime, ask first"}.freeze

      # @param sources [PartSources]
      # @param site_hours [String, nil] when the site lets somebody in, as it is noted
      def initialize(sources, site_hours: nil)
        @sources = sources
        @site_hours = site_hours
      end

      def any? = taken.any? || refused.any?

      # @return [Array<Way>]
      def all = @all ||= taken + refused

      def taken = @taken ||= shown.map { |option| way_of(option) }

      def refused = @refused ||= ruled_out.map { |row| refused_way(row) }

      def best = taken.first

      def scale
        @scale ||= TimeScale.new(now:, work_hours:, hours: finishes)
      end

      # The stopgap whose curve is drawn: the best way's, else the one that holds longest.
      def stopgap
        chosen = shown.filter_map(&:stopgap).first
        @sources.stopgap(chosen) if chosen
      end

      private

      def shown = @sources.shown.first(MOST)

      def ruled_out
        @sources.options_known? ? @sources.result.ruled_out.to_a.first(4) : []
      end

      def now = @sources.local_now

      def work_hours
        Fenbo::Sourcing::WorkHours.read(Fenbo::Input.new(@sources.question["work_hours"]))
      end

      def finishes
        list = shown.map(&:finish_at) + ruled_out.filter_map(&:finish_at)
        list.map { |at| hours(at) } + [[@sources.hours_left.to_f, 48].min]
      end

      def hours(local) = at(local) && (at(local) - now) / 3600.0

      def at(local)
        local && Fenbo::Sourcing::Question.local(Fenbo::Input.new({"at" => local}), "at")
      end

      def way_of(option)
        stopgap = @sources.stopgap(option.stopgap)
        Way.new(option:, offer: option.offer, stopgap: option.stopgap, ready_hours: hours(option.ready_at),
          start_hours: hours(option.start_at), finish_hours: hours(option.finish_at),
          stopgap_hours: stopgap ? stopgap.minutes / 60.0 : 0.0,
          limit_hours: stopgap ? stopgap.hours_to_limit : @sources.hours_left, total_cents: option.total_cents,
          times: times(option.start_at, option.finish_at), marks: marks(option),
          closed: (@site_hours if closed?(option)))
      end

      def closed?(option)
        Fenbo::Sourcing::SiteHours.closed?(@site_hours, at(option.start_at), at(option.finish_at))
      end

      def refused_way(row)
        Way.new(**BARE, offer: row.offer, ready_hours: hours(row.start_at), start_hours: hours(row.start_at),
          finish_hours: hours(row.finish_at), total_cents: row.total_cents, times: times(row.start_at, row.finish_at),
          rule: RULES.fetch(row.rule, row.rule))
      end

      def times(from, to)
        return "cannot be had" unless to
        "work #{at(from).strftime("%a %H:%M")} to #{at(to).strftime("%a %H:%M")}"
      end

      def marks(option)
        all = @sources.options
        {"recommended" => all.first, "soonest" => all.min_by { |one| [one.finish_at, one.total_cents] },
         "cheapest" => all.min_by(&:total_cents)}.select { |_, one| one.equal?(option) }.keys
      end
    end
  end
end
