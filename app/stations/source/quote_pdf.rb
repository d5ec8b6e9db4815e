# frozen_string_literal: true

module Stations
  module Source
    # A quote on paper, for its customer: each option with its lines, why, and its sum.
    class QuotePdf
      include QuoteWords

      # @param words what says figures and money: a page, or a voice
      def initialize(job, quote, words)
        @job = job
        @quote = quote
        @words = words
        @paper = Shared::Paper.new("Quote #{quote_number(job, quote)}")
      end

      def render
        head
        with_before(@quote.options).each { |one, before| option(one, before) }
        @quote.answers.each { |answer| said(answer) }
        foot
        @paper.render("Quote #{quote_number(@job, @quote)}")
      end

      private

      attr_reader :paper, :words

      def money(cents) = words.money(cents)

      def day_clock(time) = words.day_clock(time)

      def head
        site = @job.unit.site
        paper.small Setting.read("shop_name")
        paper.text "Quote #{quote_number(@job, @quote)}", size: 18, style: :bold
        paper.text [site.customer.name, site.name, site.address].compact.join(", ")
        paper.small "#{@job.unit.name}, #{@job.unit.family_label} · #{quote_day(@quote)}, " \
          "valid until #{valid_until(@quote)}"
        paper.rule
        paper.text @job.complaint
        paper.text @quote.note if @quote.note
      end

      def option(option, before)
        paper.section "#{NAMES.fetch(option["id"], option["id"])}: #{option_words(option, before)}"
        rows = option_lines(option, before).map { |line|
          [[line["what"].upcase_first, line["place"]].compact.join(", "), line["evidence"].to_s, money(line["cents"])]
        }
        sums = sum_lines(option, @quote.tax_percent).map { |what, cents| [what, "", money(cents)] }
        paper.table [%w[What Why Amount], *rows, *sums, ["In all", "", money(option["total_cents"])]], amounts: 2
        deposit = option["deposit_cents"]
        paper.small "Of it #{money(deposit)} when it is ordered." if deposit.positive?
      end

      def said(answer)
        paper.room 130 if answer.signature
        paper.section answer.approved? ? "Agreed" : "Declined"
        paper.text "#{answer_words(answer)}."
        paper.strokes answer.signature if answer.signature
      end

      def foot
        return if @quote.answers.any?
        paper.gap 10
        paper.small "Before you say yes: what is found only when it is open is asked anew; this quote does not change."
      end
    end
  end
end
