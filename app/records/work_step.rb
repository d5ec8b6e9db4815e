# frozen_string_literal: true

# A step of a fan's work plan that was done, with what was counted or measured.
class WorkStep < ApplicationRecord
  belongs_to :job
  belongs_to :fan_position
  belongs_to :user
end
