# frozen_string_literal: true

module Fenbo
  module Decision
    # What is asked of a customer: each option's lines added up, with discount, tax, rounding and
    # deposit, in whole cents, and whether the customer wants to be asked first.
    #
    #   net = lines − discount, tax = net × percent, total = net + tax to the nearest rounding
    #
    # in:  options [{id, lines [{what, cents}], discount_percent}], tax_percent, rounding_cents,
    #      deposit_percent, limit_cents (null: the customer never wants to be asked)
    # out: options [{id, lines_cents, discount_cents, net_cents, tax_cents, rounding_cents,
    #      total_cents, deposit_cents, needs_approval}]; verdict free | ask, by the first option.
    # The limit is set against the net: tax is nobody's choice. Source: sourcing/quote.
    class Quote < Tool
      Question = Value.of(:options, :tax_percent, :rounding_cents, :deposit_percent, :limit_cents)
      Option = Value.of(:id, :cents, :discount_percent)
      ROUNDINGS = [1, 5, 10, 50, 100].freeze
      MOST_OPTIONS = 6
      MOST_LINES = 200
      PERCENT = {at_least: 0, at_most: 100}.freeze

      def self.read(input, _limits)
        options = input.objects("options", at_most: MOST_OPTIONS).map { |row| read_option(row) }
        input.fault("options", "needs one at least") if options.empty? && input.given?("options")
        rounding = input.integer("rounding_cents", required: false) || 1
        unless ROUNDINGS.include?(rounding)
          input.fault("rounding_cents", "is none of #{ROUNDINGS.join(", ")}")
        end
        Question.new(options:, rounding_cents: rounding,
          limit_cents: input.integer("limit_cents", required: false, **MONEY),
          tax_percent: input.number("tax_percent", required: false, **PERCENT) || 0,
          deposit_percent: input.number("deposit_percent", required: false, **PERCENT) || 0)
      end

      def self.read_option(row)
        lines = row.objects("lines", at_most: MOST_LINES).map { |line|
          line.text("what", longest: 300)
          line.integer("cents", **MONEY)
        }
        Option.new(id: row.text("id", longest: 40), cents: lines.compact.sum,
          discount_percent: row.number("discount_percent", required: false, **PERCENT) || 0)
      end
      private_class_method :read_option

      def answer
        Result.new(verdict: asks?(options.first) ? "ask" : "free", figures: {options:}, reasons:)
      end

      private

      def options
        @options ||= question.options.map { |option| reckoned(option) }
      end

      def reckoned(option)
        discount = share(option.cents, option.discount_percent)
        net = option.cents - discount
        tax = share(net, question.tax_percent)
        total = rounded(net + tax)
        {id: option.id, lines_cents: option.cents, discount_cents: discount, net_cents: net, tax_cents: tax,
         rounding_cents: total - net - tax, total_cents: total, deposit_cents: share(total, question.deposit_percent),
         needs_approval: !question.limit_cents.nil? && net > question.limit_cents}
      end

      # Exact, half a cent up: no float touches the money.
      def share(cents, percent) = (cents * percent.to_r / 100).round(half: :up)

      def rounded(cents)
        (cents.to_r / question.rounding_cents).round(half: :up) * question.rounding_cents
      end

      def asks?(option) = option[:needs_approval]

      def reasons
        options.map { |option| option_reason(option) }
      end

      def option_reason(option)
        amount = "#{option[:id].capitalize}: #{cents(option[:net_cents])} before tax"
        return told(amount, option, nil) if question.limit_cents.nil?
        limit = cents(question.limit_cents)
        told("#{amount}, #{asks?(option) ? "over" : "within"} the #{limit} up to which nobody has to be asked", option,
          question.limit_cents)
      end

      def told(text, option, limit)
        reason(text, "quote.limit", limit:, value: option[:net_cents], source: "sourcing/quote")
      end

      def cents(amount) = format("%d.%02d", *amount.divmod(100))
    end
  end
end
