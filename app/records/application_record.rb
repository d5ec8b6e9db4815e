# frozen_string_literal: true

class ApplicationRecord < ActiveRecord::Base
  self.abstract_class = true

  # Gives rows what they belong to out of rows that were loaded before; only what is not among
  # them is asked for.
  # @param rows [Array<ApplicationRecord>]
  # @param associations [Symbol, Array, Hash] as for `preload`
  # @param from [Array<ApplicationRecord>]
  # @return [Array<ApplicationRecord>] the rows
  def self.give(rows, associations, from:)
    ActiveRecord::Associations::Preloader.new(records: rows, associations:, available_records: from).call
    rows
  end
end
