# frozen_string_literal: true

# How far a job has come at one station.
class StationStep < ApplicationRecord
  belongs_to :job
  belongs_to :done_by, class_name: "User", optional: true
end
