# frozen_string_literal: true

# A search for leaks on a circuit, and what was found.
class LeakSearch < ApplicationRecord
  include Recorded

  belongs_to :circuit
  has_many :leak_checks
end
