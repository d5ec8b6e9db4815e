# frozen_string_literal: true

# A step of the work plan that was done, with what was counted or measured.
class WorkStep < ApplicationRecord
  belongs_to :job
  belongs_to :user
end
