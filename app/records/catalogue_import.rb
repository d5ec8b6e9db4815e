# frozen_string_literal: true

# A CSV file on its way into the catalogue: looked through first, taken as a whole or
# not at all.
class CatalogueImport < ApplicationRecord
  # A look or a taking that has given no sign for this long was killed and may start again.
  SILENT = 90.seconds

  MODELS = {"motors" => Motor, "blades" => Blade, "accessories" => Accessory, "spares" => Spare}.freeze

  belongs_to :user

  # The file's own first line.
  def header = Fenbo::Matching::Rows.header(content)

  # What the file speaks of; the catalogue's other columns stay as they are.
  def columns
    Fenbo::Matching::Sheet.of(kind).columns.keys & header & MODELS.fetch(kind).column_names
  end

  def running? = %w[waiting checking taking].include?(state) && !silent?

  def silent?
    %w[checking taking].include?(state) && (beat_at.nil? || beat_at < SILENT.ago)
  end

  def ready? = state == "checked" && faulty.zero?

  def share = lines.zero? ? 0 : (line / lines.to_f).clamp(0, 1)
end
