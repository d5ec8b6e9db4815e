# frozen_string_literal: true

# A motor or kit in the catalogue.
class Motor < ApplicationRecord
  include Audited
  include Keyed

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
