# frozen_string_literal: true

module Fenbo
  module Clearance
    # Air between a blade's tips and its opening, on each side: too little strikes, too much
    # lets the air back round. Both diameters in mm. Source: docs/sources.md, motors/blades.
    TipGap =
      Value.of(:opening_mm, :blade_mm, :low_mm, :high_mm) do
        # nil where one of the two was not measured.
        define_singleton_method(:of) do |opening_mm, blade_mm, limits|
          opening_mm && blade_mm &&
            new(opening_mm:, blade_mm:, low_mm: limits["blades.gap_low"], high_mm: limits["blades.gap_high"])
        end

        def mm = (opening_mm - blade_mm) / 2.0

        def holds? = Tolerance.between?(mm, low_mm, high_mm)

        def words
          unless mm.positive?
            return "a blade of #{Quantities.tidy(blade_mm)} mm in an opening of #{Quantities.tidy(opening_mm)} mm"
          end
          "#{Quantities.tidy(mm.round(2))} mm at the tips, wanted #{Quantities.tidy(low_mm)} to " \
          "#{Quantities.tidy(high_mm)}"
        end

        def to_h = {mm: mm.round(2), holds: holds?, low: low_mm, high: high_mm}
      end
  end
end
