# frozen_string_literal: true

require "date"
require "yaml"

module FenboSimulation
  class PriceService
    # One seller of sellers.yml: who it is, what it carries, at what price, and how much lies there.
    class Seller
      FILE = File.join(__dir__, "sellers.yml")
      # What it says of itself in every offer.
      TERMS = %w[travel_minutes lead_days cutoff delivers_at freight_cents].freeze

      def self.all(file = FILE)
        YAML.safe_load_file(file).map { |row| new(row) }
      end

      def initialize(row)
        @row = row.freeze
      end

      def id = @row["id"]

      def about = @row.slice("id", "name", "kind")

      def order? = @row["kind"] == "order"

      # @param part [Hash] part_no, maker, price_cents
      # @param sold [Integer] pieces that went already
      # @return [Hash, nil] an offer as the tool `source` takes it; nil where it is not carried
      def offer(part, sold:, year:)
        return unless @row["makers"].include?(part["maker"]) && part["price_cents"].is_a?(Integer)
        {"id" => id, "kind" => @row["kind"], "price_cents" => (part["price_cents"] * @row["factor"]).round,
         "their_no" => "#{@row["prefix"]}#{part["part_no"].sum.to_s.rjust(5, "0")}"}
          .merge(@row.slice(*TERMS), order? ? {} : counter(part, sold, year))
      end

      # Pieces on the shelf before anything was sold; an order house has as many as it takes.
      def stock(part_no)
        return Float::INFINITY if order?
        (part_no.sum % @row["out_of_every"]).zero? ? 0 : 1 + part_no.sum % 3
      end

      private

      def counter(part, sold, year)
        {"open" => @row["open"].merge("closed" => holidays(year)), "in_stock" => stock(part["part_no"]) > sold}
      end

      def holidays(year)
        [year, year + 1].product(@row["closed"]).map { |one, day| "#{one}-#{day}" }
      end
    end
  end
end
