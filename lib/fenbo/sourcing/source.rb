# frozen_string_literal: true

require "date"

module Fenbo
  module Sourcing
    # Every way to get the part and do the work, cheapest in all first; where every one is
    # too late for the product, the one that loses least by the hour.
    #
    # in:  now, the customer's rules, working hours, offers, stopgaps; see Question
    # out: options with finish_at, total_cents, lines, product loss and margin;
    #      frontier marks those that no other beats on both time and cost; ruled_out what the
    #      customer's rules or the supplier forbid, each with its rule; verdict is the
    #      recommended offer, or "none".
    # Source: docs/sources.md, sourcing/options.
    class Source < Tool
      def self.read(input, _limits) = Question.read(input)

      def answer
        Result.new(verdict: options.first&.offer&.id || "none", figures: {options: rows, ruled_out:}, reasons:)
      end

      def options
        @options ||= possible.sort_by { |option| [weighed(option), option.finish, option.offer.id] }
      end

      # Whether every way ends past the product's limit.
      def all_late? = possible.all? { |option| option.margin_hours&.negative? }

      private

      def possible = @possible ||= all.select(&:possible?)

      # Cheapest in all; where all are late, with what each further hour costs.
      def weighed(option)
        option.total_cents + (all_late? ? option.lateness_cents : 0)
      end

      def all
        @all ||=
          question
            .offers
            .product([nil, *question.stopgaps])
            .flat_map { |offer, stopgap| Option.all_of(offer, stopgap, question, limits) }
      end

      def rows = options.map { |option| option.to_h(frontier.include?(option)) }

      # Those that no other beats on time and cost, by one sweep from the soonest on.
      def frontier
        @frontier ||= begin
          dearest = Float::INFINITY
          possible.group_by(&:finish).sort.flat_map do |_, same|
            least = same.map(&:total_cents).min
            next [] unless least < dearest
            dearest = least
            same.select { |one| one.total_cents == least }
          end
        end
      end

      # What could be done but for a rule, and what cannot be had at all.
      def ruled_out
        against_overtime.map { |one|
          one.to_h(false).slice(:offer, :finish_at, :start_at, :total_cents).merge(rule: "overtime")
        } +
          all.reject(&:possible?).uniq(&:offer).map { |one| {offer: one.offer.id, rule: one.why_not} }
      end

      # Sooner than any way within the hours, by work outside them that this customer does not want.
      def against_overtime
        return [] if question.overtime_allowed
        question.offers.map { |offer| Option.new(offer, nil, question, limits, overtime: true) }
          .select { |one| one.possible? && one.overtime? && possible.none? { |other| other.finish <= one.finish } }
      end

      def reasons
        if options.empty?
          return [reason("There is no offer that can be had", "source.none", source: "sourcing/options")]
        end
        [best_reason, site_reason, loss_reason, *missing].compact
      end

      def best_reason
        best = options.first
        return late_reason(best) if all_late?
        reason(
          "#{best.offer.id} is cheapest in all and done #{best.finish.strftime("%a %d %b %H:%M")}",
          "source.cheapest",
          value: best.total_cents,
          source: "sourcing/options"
        )
      end

      def late_reason(best)
        done = best.finish.strftime("%a %d %b %H:%M")
        limit_reason(
          "Every way ends after the product's limit: #{best.offer.id}, done #{done}, " \
          "loses least by the hours it is late; a stopgap may win them back",
          "sourcing.late_hour_loss",
          value: best.lateness_cents
        )
      end

      def site_reason
        best = options.first
        return unless best.waits_for_site?
        reason("The site lets nobody in to do it before #{best.start.strftime("%a %d %b %H:%M")}", "source.site_hours",
          source: "sourcing/options")
      end

      def loss_reason
        saved = options.map(&:product_loss_cents).max - options.first.product_loss_cents
        limit_reason("Others would put product worth #{saved / 100} at risk", "sourcing.safe_share") if saved.positive?
      end

      def missing
        all
          .reject(&:possible?)
          .map { |option| option.offer.id + ": " + option.why_not }
          .uniq
          .map { |text| reason(text, "source.not_to_be_had", source: "sourcing/options") }
      end
    end
  end
end
