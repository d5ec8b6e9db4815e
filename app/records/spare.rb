# frozen_string_literal: true

# A part that is no motor, with the columns its kind is told by (knowledge/matching/spares.yml).
class Spare < ApplicationRecord
  include Audited
  include Keyed

  # The columns of its kind, as far as the list gives them.
  def columns_known
    attributes.slice(*Fenbo::Matching::SpareKind[kind].columns.keys, "sealed", "flammable_ok").compact
  end
end
