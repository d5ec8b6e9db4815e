# frozen_string_literal: true

# The motor or other part picked for a fan on a job, later where it comes from and when it was fitted.
class PartChoice < ApplicationRecord
  include Audited

  belongs_to :job
  belongs_to :motor, optional: true
  belongs_to :blade, optional: true
  belongs_to :spare, optional: true
  belongs_to :fit_reading, class_name: "Reading", optional: true
  belongs_to :user
  belongs_to :fan_position
  belongs_to :fitted_by, class_name: "User", optional: true

  # What was chosen, whichever it is.
  def thing = motor || spare

  # Whether what was ordered there is in our hands.
  def come_from?(supplier)
    offer.to_h.values_at("offer", "here") == [supplier, true]
  end
end
