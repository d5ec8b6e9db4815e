# frozen_string_literal: true

# The cause somebody stands for: the core's, or their own with a reason.
class Decision < ApplicationRecord
  include Recorded

  belongs_to :countersigned_by, class_name: "User", optional: true

  def overridden? = !override_reason.nil?

  def awaits_countersign? = user.apprentice? && countersigned_at.nil?

  def label = Fenbo::JobFile::Decision.label_of(causes, action)
end
