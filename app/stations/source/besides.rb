# frozen_string_literal: true

module Stations
  module Source
    # What Match says to buy besides the part, with its price in the catalogue.
    class Besides
      # `cents` is nil where nobody lists it.
      Line = Fenbo::Value.of(:what, :cents)
      SPACERS = /\A(\d+) spacers?\z/
      CAPACITOR = /\Arun capacitor ([\d.]+) µF/

      # @param choice [Fenbo::JobFile::PartChoice, nil]
      def initialize(choice)
        @parts = choice&.beside.to_h.fetch("parts", [])
      end

      # @return [Array<Line>]
      def lines
        @lines ||= @parts.map { |what| Line.new(what:, cents: price(what)) }
      end

      def cents = lines.filter_map(&:cents).sum

      def unpriced = lines.select { |line| line.cents.nil? }.map(&:what)

      private

      def price(what)
        return spacers(Regexp.last_match(1).to_i) if SPACERS.match(what)
        return capacitor(Regexp.last_match(1).to_f) if CAPACITOR.match(what)
        Accessory.where(part_no: what.split).pick(:price_cents)
      end

      def spacers(count)
        each = Accessory.where(kind: "spacer").minimum(:price_cents)
        each && each * count
      end

      def capacitor(microfarads)
        Spare.where(kind: "run_capacitor", uf: microfarads).minimum(:price_cents)
      end
    end
  end
end
