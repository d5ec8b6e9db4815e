# frozen_string_literal: true

# The end of a job as the customer sees it.
class Handover < ApplicationRecord
  include Audited

  belongs_to :job
  belongs_to :user
end
