# frozen_string_literal: true

# A cylinder of the shop; what it weighs is what its last move says.
class Cylinder < ApplicationRecord
  include Audited

  LONGEST = 40

  has_many :refrigerant_moves

  # The same cylinder however its label was typed.
  def self.called(label)
    tidy = label.to_s.squish.upcase[0, LONGEST]
    find_or_create_by!(label: tidy)
  end

  def last_move = refrigerant_moves.live.order(:on, :taken_at, :id).last

  # What it weighed when it was put back last, kg; nil where nobody noted it yet.
  def weight_kg = last_move&.after_kg
end
