# frozen_string_literal: true

module Catalogue
  # What a column of a catalogue file takes, in words.
  module ColumnWords
    TYPES = {
      "text" => "text", "texts" => "texts parted by “;”, each", "number" => "a figure",
      "numbers" => "figures parted by “;”, each",
      "whole" => "a whole number", "flag" => "0 or 1"
    }.freeze
    # A column's unit is the end of its name.
    UNITS = {"mm" => "mm", "c" => "°C", "uf" => "µF", "deg" => "degrees", "mm2" => "mm²", "cents" => "cents",
             "minutes" => "minutes"}.freeze

    private

    # @param row [Hash] of catalogue.yml
    def column_words(name, row)
      return "one of #{row["choices"].join(", ")}" if row["type"] == "choice"
      usual = row["usual"] && "usually #{row["usual"].join(", ")}"
      [TYPES.fetch(row["type"]), span_words(row), UNITS[name[/[a-z0-9]+\z/]], usual && ", #{usual}"]
        .compact.join(" ").sub(" ,", ",")
    end

    def span_words(row)
      return "up to #{row["longest"]} characters" if row["longest"]
      low, high = row.values_at("low", "high").map { |one| one && Fenbo::Quantities.tidy(one) }
      "from #{low} to #{high}" if low && high
    end
  end
end
