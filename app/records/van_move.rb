# frozen_string_literal: true

# Pieces put on a van or taken off it; it never changes.
class VanMove < ApplicationRecord
  belongs_to :user
  belongs_to :by, class_name: "User"
  belongs_to :job, optional: true
end
