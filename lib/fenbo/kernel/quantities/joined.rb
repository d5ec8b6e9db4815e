# frozen_string_literal: true

module Fenbo
  module Quantities
    # Two figures that make one, the second of the lesser unit: "1 h 30", "1:30", "8 lb 4 oz",
    # "2 ft 6 in". What is joined is named with its kind (`joined` in units.yml).
    module Joined
      PATTERN = /\A\s*(\d+)\s*([^\d\s]+)\s*(\d+(?:[.,]\d+)?)\s*([^\d\s].*?)?\s*\z/

      module_function

      # @param text [String] as typed
      # @param kind [String] a key of units.yml
      # @return [Float, nil] in the kind's SI unit; nil where it is none of these
      def read(text, kind)
        joined = Quantities.kinds[kind]["joined"] or return nil
        match = PATTERN.match(text) or return nil
        greater, lesser = joined["units"]
        signed = match[2] == joined["sign"]
        return nil unless signed || called(match[2], kind) == greater
        # After a sign the greater one may be named at the end: "1:30 h".
        return nil unless [nil, lesser, (greater if signed)].include?(called(match[4], kind))
        sum(match[1].to_f, match[3].tr(",", ".").to_f, *[greater, lesser].map { |one| unit(one, kind) })
      end

      def unit(typed, kind) = Quantities.unit_of(typed, kind, "si")

      # What it is called here; as it stands where it is not known.
      def called(typed, kind)
        typed && (unit(typed, kind)&.fetch("name") || typed)
      end

      # Nothing where the second is as much as one of the first: "1:75" is a slip.
      def sum(whole, rest, greater, lesser)
        return nil if rest * lesser["factor"] >= greater["factor"]
        Quantities.to_si(whole, greater) + Quantities.to_si(rest, lesser)
      end
      private_class_method :unit, :called, :sum
    end
  end
end
