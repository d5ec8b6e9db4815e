# frozen_string_literal: true

module Fenbo
  module Refrigerant
    # A refrigerant by its name, however it was written, with what it does when it leaks.
    # Judgement in knowledge/refrigerants.yml. Source: docs/sources.md, refrigerants/groups.
    #
    #   Group.of("r 600 a").name         #=> "R-600a"
    #   Group.of("isobutane").flammable? #=> true
    #   Group.of("R-999")                #=> nil, nobody knows: ask, and treat it as flammable
    Group = Value.of(:name, :safety, :label, :flammable) do
      const_set(:LONGEST, 60)

      class << self
        # @return [Group, nil] nil where it is not known here
        def of(text)
          typed = spelling(text)
          known[typed] || known["r#{typed}"]
        end

        # Flammable until somebody knows better.
        # @param answered [Boolean, nil] what was said of one that is not known
        def flammable?(text, answered: nil)
          group = of(text)
          return group.flammable if group
          answered.nil? || answered
        end

        # "R 600 a", "r-600a (isobutane)" and "600A" are one.
        def spelling(text)
          text.to_s.downcase[0, self::LONGEST].sub(/\([a-z -]*\)\s*\z/, "").gsub(/[\s\-_.]/, "")
        end

        private

        def known
          @known ||= table["known"].flat_map { |safety, names|
            names.flat_map { |name|
              spellings(name, safety)
            }
          }.to_h.freeze
        end

        def spellings(name, safety)
          row = table["groups"].fetch(safety)
          group = new(name:, safety:, label: row["label"], flammable: row["flammable"])
          [name, *table["also"][name]].map { |text| [spelling(text), group] }
        end

        def table = Knowledge.table("refrigerants")
      end

      def flammable? = flammable
    end
  end
end
