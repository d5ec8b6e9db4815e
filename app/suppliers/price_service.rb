# frozen_string_literal: true

require "yaml"

module Suppliers
  # A stand-in for suppliers' price services: db/demo/suppliers.yml says who they
  # are, their hours, their stock and how they price. Answers the same for the
  # same part every time, offline, with nothing made up at the moment of asking.
  class PriceService
    FILE = File.expand_path("../../db/demo/suppliers.yml", __dir__)

    def self.suppliers = @suppliers ||= YAML.safe_load_file(FILE).freeze

    # Offers for one catalogue part, as `source` takes them; none without a price.
    def self.offers(part)
      return [] if part.price_cents.nil?
      suppliers.filter_map { |supplier| offer(supplier, part) if carries?(supplier, part) }
    end

    # Part numbers on the vans.
    def self.at_hand
      suppliers.flat_map { |supplier| supplier.fetch("stock", []) }
    end

    def self.name_of(id)
      suppliers.find { |one| one["id"] == id }&.fetch("name") || id
    end

    def self.offer(supplier, part)
      price = (part.price_cents * supplier["factor"]).round
      {"id" => supplier["id"], "kind" => supplier["kind"], "price_cents" => price}
        .merge(supplier.slice("open", "travel_minutes", "lead_days", "cutoff", "delivers_at", "freight_cents"))
        .merge((supplier["kind"] == "counter") ? {"in_stock" => in_stock?(supplier, part)} : {})
    end

    # A van carries what is listed; the others carry makers.
    def self.carries?(supplier, part)
      return supplier["stock"].include?(part.part_no) if supplier["kind"] == "van"
      supplier["makers"].include?(part.maker)
    end

    def self.in_stock?(supplier, part)
      part.part_no.sum % supplier["out_of_every"] != 0
    end

    private_class_method :offer, :carries?, :in_stock?
  end
end
