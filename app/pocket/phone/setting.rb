# frozen_string_literal: true

# The shop's settings, as they were when the job was taken along.
module Setting
  extend ShopSettings

  def self.read(name) = Phone.shop.fetch(name) { ShopSettings::DEFAULTS[name] }
end
