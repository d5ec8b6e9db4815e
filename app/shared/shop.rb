# frozen_string_literal: true

module Shared
  # The shop's own settings as the core wants them.
  module Shop
    module_function

    def limits = Fenbo::Limits.default.with(Setting.read("limits"))

    # Times of day in the shop are the machine's local ones, without a zone.
    def local(time) = time.getlocal

    # A local clock time as stored: the core's naive times and back.
    def from_local(text) = Time.strptime(text, "%Y-%m-%dT%H:%M")

    def money(cents)
      return "–" if cents.nil?
      whole, rest = cents.abs.divmod(100)
      grouped = whole.to_s.gsub(/(\d)(?=(\d{3})+\z)/, "\\1\u00a0")
      "#{"−" if cents.negative?}#{grouped}.#{rest.to_s.rjust(2, "0")}\u00a0#{Setting.read("currency")}"
    end
  end
end
