# frozen_string_literal: true

module Vans
  # What the pieces on a van are, shortly.
  module Words
    # @param numbers [Array<String>] part numbers
    # @return [Hash{String => String}] of those that the catalogue has
    def pieces_words(numbers)
      [Motor, Spare, ::Blade].map { |list| list.where(part_no: numbers).to_h { |one| [one.part_no, piece(one)] } }
        .reduce(:merge)
    end

    private

    def piece(one)
      case one
      when Motor then [motor_words(one.family), *plate(one)].join(", ")
      when Spare then [Fenbo::Matching::SpareKind[one.kind].label, spare_words(one.kind, one.columns_known)].join(", ")
      else "blade, #{blade_words(one)}"
      end
    end

    def plate(motor)
      [("#{motor.volts.map { |volts| Fenbo::Quantities.tidy(volts) }.join("/")} V" if motor.volts.any?),
        ("#{Fenbo::Quantities.tidy(motor.watts)} W" if motor.watts), motor.mount&.tr("_", " ")].compact
    end
  end
end
