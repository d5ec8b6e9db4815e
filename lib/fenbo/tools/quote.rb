# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module QuoteAnswer
      # Money in whole cents.
      Option = Shape.of(
        id: String, lines_cents: Integer, discount_cents: Integer, net_cents: Integer, tax_cents: Integer,
        rounding_cents: Integer, total_cents: Integer, deposit_cents: Integer, needs_approval: Shape::FLAG
      )
    end

    define "quote", about: "What is asked of a customer, and whether they want to be asked first",
      tool: -> { Decision::Quote },
      answer: Answer.of(options: [QuoteAnswer::Option])
  end
end
