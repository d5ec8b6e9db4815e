# frozen_string_literal: true

require "yaml"

module Suppliers
  # The adapter that ships with Fenbo, in place of suppliers' own services:
  # stand_in.yml says who they are, their hours, their stock and how they price. Answers
  # the same for the same part every time, offline, nothing made up at the moment of asking.
  class StandIn
    FILE = File.join(__dir__, "stand_in.yml")

    def initialize(file = FILE)
      @suppliers = YAML.safe_load_file(file).freeze
    end

    def offers(part)
      return [] if part.price_cents.nil?
      @suppliers.filter_map { |supplier| offer(supplier, part) if carries?(supplier, part) }
    end

    def name_of(id) = @suppliers.find { |one| one["id"] == id }&.fetch("name")

    private

    def offer(supplier, part)
      price = (part.price_cents * supplier["factor"]).round
      {"id" => supplier["id"], "kind" => supplier["kind"], "price_cents" => price}
        .merge(supplier.slice("open", "travel_minutes", "lead_days", "cutoff", "delivers_at", "freight_cents"))
        .merge((supplier["kind"] == "counter") ? {"in_stock" => in_stock?(supplier, part)} : {})
    end

    # A van may carry anything; the others carry makers.
    def carries?(supplier, part)
      supplier["makers"].nil? || supplier["makers"].include?(part.maker)
    end

    def in_stock?(supplier, part)
      part.part_no.sum % supplier["out_of_every"] != 0
    end
  end
end
