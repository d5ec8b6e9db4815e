# frozen_string_literal: true

# A blade in the catalogue.
class Blade < ApplicationRecord
  include Audited

  scope :like, ->(text) { where("part_no ILIKE :like OR maker ILIKE :like", like: "%#{sanitize_sql_like(text)}%") }
end
