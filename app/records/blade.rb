# frozen_string_literal: true

# A blade in the catalogue.
class Blade < ApplicationRecord
  include Audited
  include Keyed
end
