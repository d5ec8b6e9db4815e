# frozen_string_literal: true

# A customer's yes to one option of a quote, or their no; it never changes.
class QuoteAnswer < ApplicationRecord
  include Audited

  belongs_to :quote
  belongs_to :user, optional: true

  # The same word twice is one answer.
  # @return [QuoteAnswer]
  def self.give(quote, verdict:, name:, how:, at:, option: nil, signature: nil, reason: nil, user: nil)
    quote.job.with_lock do
      last = quote.quote_answers.reload.last
      next last if last && [last.verdict, last.option, last.name] == [verdict, option, name]
      asked = option && quote.option(option)
      create!(quote:, verdict:, option:, name:, how:, signature:, reason:, user:, at:,
        net_cents: asked && asked["net_cents"], total_cents: asked && asked["total_cents"])
    end
  end
end
