# frozen_string_literal: true

module Fenbo
  module Sourcing
    KINDS = %w[van counter order own].freeze
    MONEY = {at_least: 0, at_most: 1_000_000_000}.freeze

    # One place the part can come from.
    Offer =
      Value.of(
        :id, :kind, :price_cents, :freight_cents, :in_stock, :open, :travel_minutes, :lead_days, :cutoff,
        :delivers_at, :not_before
      ) do
        def self.read(input)
          kind = input.choice("kind", KINDS)
          order = kind == "order"
          new(
            id: input.text("id", longest: 80),
            kind:,
            price_cents: input.integer("price_cents", **MONEY),
            freight_cents: input.integer("freight_cents", required: false, **MONEY) || 0,
            in_stock: input.flag("in_stock", default: true),
            open: (WorkHours.read(input.object("open")) if kind == "counter"),
            travel_minutes: input.number("travel_minutes", required: false, at_least: 0, at_most: 10_000) || 0,
            lead_days: input.integer("lead_days", required: order, at_least: 0, at_most: 365),
            cutoff: WorkHours.minutes_of_day(input, "cutoff", required: false),
            delivers_at: WorkHours.minutes_of_day(input, "delivers_at", required: false),
            not_before: Question.local(input, "not_before")
          )
        end
      end

    # Something that keeps the product cold meanwhile.
    Stopgap =
      Value.of(:id, :minutes, :hours_to_limit) do
        def self.read(input)
          new(
            id: input.text("id", longest: 80),
            minutes: input.number("minutes", at_least: 0, at_most: 10_000),
            hours_to_limit: input.number("hours_to_limit", required: false, at_least: 0)
          )
        end
      end

    # The local clock put forward (+1 h) or back (-1 h): `at` is the local time after it.
    ClockChange =
      Value.of(:at, :hours) do
        def self.read(input)
          new(at: Question.local(input, "at", required: true), hours: input.number("hours", at_least: -3, at_most: 3))
        end

        def between?(from, to) = at > from && at <= to
      end

    # What is asked of `source`; money in cents, times local.
    Question =
      Value.of(
        :now, :rate_per_hour_cents, :overtime_factor, :overtime_allowed, :work_hours, :trip_cents,
        :work_minutes, :hours_to_limit, :product_value_cents, :offers, :stopgaps, :besides_cents, :clock_changes,
        :site_hours, :along
      ) do
        def self.read(input)
          new(
            now: local(input, "now", required: true),
            rate_per_hour_cents: input.integer("rate_per_hour_cents", **MONEY),
            overtime_factor: input.number("overtime_factor", required: false, at_least: 1, at_most: 10) || 1.5,
            overtime_allowed: input.flag("overtime_allowed", default: false),
            work_hours: WorkHours.read(input.object("work_hours")),
            trip_cents: input.integer("trip_cents", required: false, **MONEY) || 0,
            work_minutes: input.number("work_minutes", above: 0, at_most: 10_000),
            hours_to_limit: input.number("hours_to_limit", required: false, at_least: 0),
            product_value_cents: input.integer("product_value_cents", required: false, **MONEY) || 0,
            besides_cents: input.integer("besides_cents", required: false, **MONEY) || 0,
            offers: input.objects("offers", at_most: 200).map { |one| Offer.read(one) },
            stopgaps: input.objects("stopgaps", required: false, at_most: 20).map { |one| Stopgap.read(one) },
            clock_changes: input.objects("clock_changes", required: false, at_most: 20).map { |one|
              ClockChange.read(one)
            },
            site_hours: SiteHours.read(input.text("site_hours", required: false)),
            along: input.objects("along", required: false, at_most: 20).map { |one| PaidOnce::Way.read(one) }
          )
        end

        # A local time of `key`; nil where it is not given or not one.
        def self.local(input, key, required: false)
          text = input.text(key, required:) or return nil
          year, month, day, hour, minute =
            /\A(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)(?::\d\d)?\z/.match(text)&.captures&.map(&:to_i)
          if year && Date.valid_date?(year, month, day) && hour < 24 && minute < 60
            return Time.utc(year, month, day, hour, minute)
          end
          input.fault(key, "must be a local time like 2031-05-05T15:20")
        end

        # Hours that pass between two local times: one more or less where the clock is changed.
        def hours_between(from, to)
          (to - from) / 3600.0 - clock_changes.sum { |change| change.between?(from, to) ? change.hours : 0 }
        end

        # The week with nothing allowed outside it, or none where overtime may be worked.
        def labour_cents(minutes) = (minutes * rate_per_hour_cents / 60.0).round
      end
  end
end
