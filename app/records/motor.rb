# frozen_string_literal: true

# A motor or kit in the catalogue.
class Motor < ApplicationRecord
  include Audited
  include Keyed

  # What the core reads of a part.
  COLUMNS = %w[
    part_no maker family volts hertz phases amps watts horsepower service_factor rpm poles rotation
    shaft_diameter_mm shaft_length_mm shaft_form mount bolt_circle_mm body_diameter_mm body_length_mm
    enclosure ambient_low_c ambient_high_c flammable_ok integral_blade control connector capacitor_uf
    cross_reference price_cents kit_contents kit_work kit_leaves kit_minutes discontinued superseded_by
  ].freeze

  # Those that replace this one: their lists name it, or it names its successor.
  def replacements
    Motor
      .where("cross_reference @> ARRAY[?]::text[]", part_no)
      .or(Motor.where(part_no: superseded_by))
      .where.not(id:)
      .order(:part_no)
  end

  # Those this one replaces.
  def replaces
    Motor.where(part_no: cross_reference).or(Motor.where(superseded_by: part_no)).where.not(id:).order(:part_no)
  end
end
