# frozen_string_literal: true

# A link by which a customer answers one quote, once.
class QuoteLink < ApplicationRecord
  include SecretLink

  belongs_to :quote

  # @return [String] the link's secret; earlier links to the same job's quotes end
  def self.issue(quote, made_by)
    give(where(quote_id: quote.job.quotes.select(:id)), quote:, made_by:, expires_at: quote.valid_until)
  end
end
