# frozen_string_literal: true

# What the shop has set for itself, by name.
class Setting < ApplicationRecord
  include Audited
  extend ShopSettings

  DEFAULTS = ShopSettings::DEFAULTS

  # Read once a request, since every figure on a page wants its currency.
  def self.read(name)
    (Current.settings ||= pluck(:name, :value).to_h).fetch(name) { DEFAULTS[name] }
  end

  def self.write(name, value)
    find_or_initialize_by(name:).update!(value:)
    Current.settings = nil
  end
end
