# frozen_string_literal: true

# What is bought beside a motor: bushings, brackets, adapters, capacitors, splices, spacers.
class Accessory < ApplicationRecord
  include Audited
  include Keyed
end
