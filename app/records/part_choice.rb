# frozen_string_literal: true

# The motor picked for a job, and later where it comes from.
class PartChoice < ApplicationRecord
  include Audited

  belongs_to :job
  belongs_to :motor, optional: true
  belongs_to :blade, optional: true
  belongs_to :fit_reading, class_name: "Reading", optional: true
  belongs_to :user
end
