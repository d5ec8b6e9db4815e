# frozen_string_literal: true

# Figures read off an instrument, what was asked of the core and what it said.
class Reading < ApplicationRecord
  include Recorded

  has_many :findings
end
