# frozen_string_literal: true

module Shared
  # The shop's own settings as the core wants them.
  module Shop
    module_function

    def limits = Setting.limits

    # Times of day in the shop are the machine's local ones, without a zone.
    def local(time) = time.getlocal

    # A local clock time as stored: the core's naive times and back.
    def from_local(text) = Time.strptime(text, "%Y-%m-%dT%H:%M")

    # @param cents [Integer, nil]
    def money(cents) = cents.nil? ? "–" : Setting.money(cents)

    # What stands beside an amount.
    def symbol = Setting.currency.symbol
  end
end
