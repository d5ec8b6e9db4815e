# frozen_string_literal: true

module Stations
  module Source
    # Where the chosen part can come from, and when the job would be done.
    class PartSources
      # @param fault [Fenbo::JobFile::Fault] what the part is for
      # @param clock [Fenbo::Product::JobClock]
      # @param slot [Hash] "offer" and "at", the local time before which its work does not begin
      def initialize(job, fault, clock:, now: Time.now, slot: {})
        @job = job
        @fault = fault
        @clock = clock
        @now = now
        @slot = slot
      end

      def thing = @fault.part_choice&.thing

      # What keeps the product meanwhile.
      def stopgaps
        return [] if sound?
        @stopgaps ||= Fenbo::Product::Stopgaps.new(@job, @fault.fan, clock: @clock, limits: Shared::Shop.limits).all
      end

      def stopgap(id) = stopgaps.find { |one| one.id == id }

      # What is bought with it whoever sells it.
      def besides = @besides ||= Besides.new(@fault.part_choice)

      def result
        @result ||= Fenbo.call(:source, question, limits: Shared::Shop.limits)
      end

      def options = options_known? ? result.options : []

      def options_known? = !thing.nil? && !result.refused?

      # The core's now: the local clock, without zone.
      def local_now
        Fenbo::Sourcing::Question.local(Fenbo::Input.new(question), "now")
      end

      # How long the product waits for this part; nil where it does not need it.
      def hours_left = (@clock.hours_left unless sound?)

      # The option still on offer: the very one, else the same source at another hour.
      def option(offer, finish_at, stopgap = nil)
        same = options.select { |option| option.offer == offer && option.stopgap == stopgap.presence }
        same.find { |option| option.finish_at == finish_at } || same.first
      end

      # Of each offer the best with and the best without a stopgap, the first only where it saves
      # product: the rest is worse on every count.
      def shown
        @shown ||= options.group_by { |option| [option.offer, option.overtime] }.flat_map { |_, list| best_two(list) }
          .sort_by { |option| options.index(option) }
      end

      # What is kept of the option taken.
      def entry(option)
        ready_at = Shared::Shop.from_local(option.finish_at) - minutes * 60
        kept = option.as_json.merge("source" => Suppliers::Desk.name_of(option.offer), "order" => order(option)).compact
        Entries::Offer.new(fault: @fault.key, option: kept, ready_at:, second_trip: option.second_trip, minutes:)
      end

      # What is ordered with it; nothing of what lies on the van.
      def order(option)
        offer = question["offers"].find { |one| one["id"] == option.offer }
        return unless %w[counter order].include?(offer["kind"])
        offer.slice("kind", "their_no", "price_cents").merge("besides" => besides.lines.map(&:what),
          "state" => Suppliers::Desk.takes_orders?(option.offer) ? "to_send" : "by_hand")
      end

      # Of its work, with what was decided along with it.
      def minutes
        @minutes ||= Fenbo::WorkPlan::Progress.whole(@job, [@fault], limits: Shared::Shop.limits).sum(&:minutes)
      end

      def question
        @question ||= {
          "now" => Shared::Shop.local(@now).strftime("%Y-%m-%dT%H:%M"),
          "rate_per_hour_cents" => Setting.read("rate_per_hour_cents"),
          "overtime_factor" => Setting.read("overtime_factor"),
          "overtime_allowed" => @job.unit.site.customer.overtime_allowed,
          "work_hours" => Setting.work_week,
          "clock_changes" => clock_changes,
          "site_hours" => @job.unit.site.hours.presence,
          "trip_cents" => Setting.read("trip_cents"),
          "work_minutes" => minutes,
          "besides_cents" => besides.cents,
          "hours_to_limit" => hours_left,
          "product_value_cents" => product_value_cents,
          "stopgaps" => stopgaps.map { |one|
            {"id" => one.id, "minutes" => one.minutes, "hours_to_limit" => one.hours_to_limit}.compact
          },
          "offers" => offers,
          "along" => along
        }.compact
      end

      private

      # Changed on the same visit though nothing is wrong with it: nothing warms because of it.
      def sound? = @fault.decision&.sound? || false

      def product_value_cents
        @job.product_value_cents || @job.unit.product_value_cents unless sound?
      end

      # The ways taken for the job's other parts that have not come yet.
      def along
        @job.faults.reject { |one| one.key == @fault.key }.filter_map(&:part_choice).select(&:awaited?)
          .map { |choice| Fenbo::Sourcing::PaidOnce::Way.of(choice.offer).to_h.transform_keys(&:to_s).compact }
      end

      def best_two(list)
        held, bare = list.partition(&:stopgap).map(&:first)
        [bare, (held if held && (bare.nil? || held.product_loss_cents < bare.product_loss_cents))].compact
      end

      def offers
        return [] unless thing
        Suppliers::Desk.offers(thing).map do |offer|
          (offer["id"] == @slot["offer"]) ? offer.merge({"not_before" => @slot["at"]}.compact) : offer
        end
      end

      # The coming days on which the local clock is put forward or back.
      def clock_changes
        (0..DAYS * 24).map { |hour| Shared::Shop.local(@now + hour * 3600) }.each_cons(2)
          .reject { |one, other| one.utc_offset == other.utc_offset }
          .map do |one, other|
            {"at" => other.strftime("%Y-%m-%dT%H:%M"), "hours" => (other.utc_offset - one.utc_offset) / 3600.0}
          end
      end

      # So far ahead an option may lie.
      DAYS = 21
      private_constant :DAYS
    end
  end
end
