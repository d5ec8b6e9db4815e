# frozen_string_literal: true

# The cause somebody stands for: the core's, or their own with a reason.
class Decision < ApplicationRecord
  include Recorded

  belongs_to :countersigned_by, class_name: "User", optional: true

  def overridden? = !override_reason.nil?

  def awaits_countersign? = user.apprentice? && countersigned_at.nil?

  def label
    causes.map { |cause| Fenbo::Diagnosis::Cause.label(cause) }.join(" with ")
  end
end
