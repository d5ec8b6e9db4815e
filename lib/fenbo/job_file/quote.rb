# frozen_string_literal: true

module Fenbo
  module JobFile
    # A customer's answer to a quote: yes to one option, or no with the reason. `how` is signature,
    # link or told; money in whole cents, as the option was quoted.
    QuoteAnswer = Shape.of(
      uid: String, verdict: String, option: Shape.maybe(String), name: String, how: String, at: Time,
      by: Shape.maybe(Person), signature: Shape.maybe(Array), reason: Shape.maybe(String),
      net_cents: Shape.maybe(Integer), total_cents: Shape.maybe(Integer)
    ) do
      def approved? = verdict == "approved"
    end

    # A version of what a customer was asked; it never changes. `options` as they were reckoned:
    # [{id, lines [{what, kind, cents, place, evidence}], and the figures of the tool `quote`}].
    Quote = Shape.of(
      uid: String, version: Integer, by: Person, made_at: Time, options: Array, limit_cents: Shape.maybe(Integer),
      tax_percent: Float, note: Shape.maybe(String), answers: [QuoteAnswer]
    ) do
      def option(id) = options.find { |one| one["id"] == id }

      # The last word on it.
      def answer = answers.max_by(&:at)
    end
  end
end
