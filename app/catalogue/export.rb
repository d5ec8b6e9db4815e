# frozen_string_literal: true

require "csv"

module Catalogue
  # The catalogue as CSV, row by row, in the columns it is read in again.
  class Export
    BATCH = 1_000

    def initialize(kind)
      @sheet = Fenbo::Matching::Sheet.of(kind)
      @model = CatalogueImport::MODELS.fetch(kind)
    end

    # As Rack streams a body.
    def each
      return enum_for(:each) unless block_given?
      yield CSV.generate_line(@sheet.columns.keys)
      @model.in_batches(of: BATCH) do |batch|
        yield batch.order(:id).map { |part| CSV.generate_line(@sheet.write(part.attributes)) }.join
      end
    end
  end
end
