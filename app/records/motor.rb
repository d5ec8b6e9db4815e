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

  # The rows of a scope as the core reads them. The database writes them as JSON: casting each
  # column of each row would take three times as long.
  # @return [Array<Hash>]
  def self.core_rows
    json = connection.select_value("SELECT json_agg(one) FROM (#{select(*COLUMNS).to_sql}) AS one")
    json ? JSON.parse(json) : []
  end

  # By its own number or its maker's name, or by the number of what it replaces: the old
  # motor's plate is often all there is.
  scope :like,
    ->(text) do
      where(
        "part_key LIKE :key AND :key <> '%%' OR maker ILIKE :like OR :key <> '%%' AND EXISTS (" \
        "SELECT 1 FROM unnest(cross_reference) AS old WHERE " \
        "translate(upper(regexp_replace(old, '[^A-Za-z0-9]', '', 'g')), 'OI', '01') LIKE :key)",
        key: "%#{Keyed.key(text)}%",
        like: "%#{sanitize_sql_like(text)}%"
      )
    end

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
