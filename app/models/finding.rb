# frozen_string_literal: true

# The outcome of one test.
class Finding < ApplicationRecord
  include Recorded

  belongs_to :reading, optional: true

  def to_core = {"test" => test, "outcome" => outcome, "position" => fan_position&.key}.compact

  def test_short = Fenbo::Diagnosis::Test[test].short

  def label = Fenbo::Diagnosis::Test[test].label(outcome)
end
