# frozen_string_literal: true

module Stations
  module Source
    # A quote's own sentences.
    module QuoteWords
      NAMES = {"good" => "Good", "better" => "Better", "best" => "Best"}.freeze
      MEANS = {"good" => "what restores cooling", "better" => "and cleaning and the neighbours due now",
               "best" => "and the rest of the bank"}.freeze
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

      # "Approved: better, 812.40, by A. Person, signed on the spot, Thu 26 Nov 09:12"
      def answer_words(answer)
        said = "Declined: #{answer.reason}"
        said = "Approved: #{answer.option}, #{money(answer.total_cents)}" if answer.approved?
        "#{said}, by #{answer.name}, #{HOW.fetch(answer.how)}, #{day_clock(answer.at)}"
      end

      # [what, cents] below the lines of an option; what is nothing is left out.
      def sum_lines(option, tax_percent)
        [["Discount", -option["discount_cents"]], ["Before tax", option["net_cents"]],
          ["Tax #{Fenbo::Quantities.tidy(tax_percent)} %", option["tax_cents"]], ["Rounding", option["rounding_cents"]]]
          .reject { |what, cents| cents.zero? && what != "Before tax" }
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
