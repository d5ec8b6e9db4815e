# frozen_string_literal: true

# Whether what was done against a leak holds.
class LeakCheck < ApplicationRecord
  include Recorded

  belongs_to :leak_search
end
