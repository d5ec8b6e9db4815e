# frozen_string_literal: true

module Stations
  module Source
    # A quote's own sentences.
    module QuoteWords
      NAMES = {"good" => "Good", "better" => "Better", "best" => "Best"}.freeze
      # What an option adds to the one before it, by the words its lines have.
      ADDS = {QuoteBuilder::NEIGHBOUR => "neighbours' motors on the same visit",
              QuoteBuilder::UPGRADE => "a motor that takes less power"}.freeze
      HOW = {"signature" => "signed on the spot", "link" => "by link", "told" => "told to us"}.freeze

      # "Job 211-2"
      def quote_number(job, quote) = "#{job.number}-#{quote.version}"

      def quote_day(quote)
        Shared::Shop.local(quote.made_at).strftime("%-d %b %Y")
      end

      # Until when it can be said yes to.
      def valid_until(quote)
        Shared::Shop.local(quote.made_at + Setting.read("quote_days") * 86_400).strftime("%-d %b %Y")
      end

      # By which way out it is reckoned.
      # @param way [Hash, nil]
      def asked_words(way)
        return "That way is not to be had any more; this is reckoned without it." unless way
        by = Fenbo::Diagnosis.low(Fenbo::Product::Stopgaps.table.dig(way["stopgap"], "label").to_s)
        name = [Suppliers::Desk.name_of(way["offer"]), by].reject(&:empty?).join(", ")
        "Reckoned by #{name}, done by #{day_clock(Shared::Shop.from_local(way["finish_at"]))}."
      end

      # "Approved: better, 812.40, by A. Person, signed on the spot, Thu 26 Nov 09:12"
      def answer_words(answer)
        said = "Declined: #{answer.reason}"
        said = "Approved: #{answer.option}, #{money(answer.total_cents)}" if answer.approved?
        "#{said}, by #{answer.name}, #{HOW.fetch(answer.how)}, #{day_clock(answer.at)}"
      end

      # What an option holds, in a few words: the first restores cooling, the others add to it.
      # @param before [Hash, nil] the option before it
      def option_words(option, before)
        added = added_lines(option, before) or return "what restores cooling"
        told = added.map { |line| ADDS.find { |ending, _| line["what"].end_with?(ending) }&.last || line["what"] }
        "and #{told.uniq.join(" and ")}"
      end

      # Its lines as they are told: all that the option before it holds is one line.
      def option_lines(option, before)
        added = added_lines(option, before) or return option["lines"]
        held = before["lines"].sum { |line| line["cents"] }
        [{"what" => "all of #{NAMES.fetch(before["id"])}", "cents" => held}, *added]
      end

      # What comes after the lines of the one before it, with which it begins; nil where it does not.
      def added_lines(option, before)
        return unless before && option["lines"].first(before["lines"].size) == before["lines"]
        option["lines"].drop(before["lines"].size)
      end

      # Every option with the one before it, the first with none.
      def with_before(options) = options.zip([nil, *options])

      # [what, cents] below the lines of an option; what is nothing is left out.
      def sum_lines(option, tax_percent)
        [["Discount", -option["discount_cents"]], ["Before tax", option["net_cents"]],
          ["Tax #{Fenbo::Quantities.tidy(tax_percent)} %", option["tax_cents"]], ["Rounding", option["rounding_cents"]]]
          .reject { |what, cents| cents.zero? && what != "Before tax" }
      end

      # Over that sentence: whether it speaks of what is agreed, or of more.
      def approval_lead(approval, options)
        return "Before anything is ordered" unless approval.given
        (options.any? && approval.asks?(options.first["net_cents"])) ? "More than is agreed" : "Agreed"
      end

      # What stands about a yes, in a sentence.
      def approval_words(approval, options)
        free = approval.free_up_to or return "This customer need not be asked."
        return "Up to #{money(free)} nobody has to be asked." if options.empty?
        needed = options.first["net_cents"]
        return "#{money(needed)} before tax: within what is agreed, #{money(free)}." unless approval.asks?(needed)
        "#{money(needed)} before tax is above #{money(free)}: their yes comes first."
      end
    end
  end
end
