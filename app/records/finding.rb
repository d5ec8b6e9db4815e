# frozen_string_literal: true

# The outcome of one test.
class Finding < ApplicationRecord
  include Recorded

  belongs_to :reading, optional: true

  # @param keys [Hash] fan position id => the core's name of it
  def to_core(keys)
    {"test" => test, "outcome" => outcome, "position" => keys[fan_position_id], "weights" => weights}.compact
  end

  def test_short = Fenbo::Diagnosis::Test[test].short

  def label = Fenbo::Diagnosis::Test[test].label(outcome)
end
