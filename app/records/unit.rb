# frozen_string_literal: true

# One refrigeration unit with its fan positions.
class Unit < ApplicationRecord
  include Audited

  belongs_to :site
  has_many :fan_positions, -> { order(Arel.sql("side DESC"), :number) }
  has_many :jobs
  has_many :circuits, -> { order(:name) }
  has_one :customer, through: :site

  # What a known refrigerant is, nobody has to tick.
  before_validation { self.flammable = group.flammable? if group }

  validates :name, presence: {message: "Please give a name."}, length: {maximum: 120}
  validates :family,
    inclusion: {
      in: Fenbo::Knowledge.table("families").keys,
      message: "Choose what kind of unit it is."
    }
  validates :supply_phases, inclusion: {in: [1, 3], message: "One or three."}
  validates :supply_volts, :supply_hertz, numericality: {greater_than: 0, message: "must be above nothing."}
  validates :product_value_cents,
    numericality: {
      greater_than_or_equal_to: 0,
      allow_nil: true,
      message: "cannot be below nothing."
    }

  validates :overload_low_a,
    :overload_high_a,
    :contactor_a,
    numericality: {
      greater_than: 0,
      allow_nil: true,
      message: "must be above nothing."
    }
  validate :dial_in_order

  def family_label = Fenbo::Knowledge.table("families")[family]["label"]

  # What its overload can be set to, [low, high]; nil where not noted.
  def overload_amps
    overload_low_a && overload_high_a && [overload_low_a, overload_high_a]
  end

  def hero_side
    fan_positions.first&.side || Fenbo::Knowledge.table("families")[family]["sides"].first
  end

  # As the job file calls them.
  def fans = fan_positions

  # What one of its fans is called; a one-piece unit has a first fan on either side.
  def called(fan) = two_sided? ? fan.long_label.downcase : fan.label

  # Whether its fans sit on both sides of it.
  def two_sided? = fan_positions.map(&:side).uniq.size > 1

  def position(key) = fan_positions.find { |one| one.key == key }

  # @return [Fenbo::Refrigerant::Group, nil] nil where nobody knows it
  def group = Fenbo::Refrigerant::Group.of(refrigerant)

  private

  def dial_in_order
    if overload_low_a.nil? != overload_high_a.nil?
      errors.add(overload_low_a ? :overload_high_a : :overload_low_a, "The dial has two ends: note both.")
    end
    errors.add(:overload_high_a, "is below where the dial begins.") if overload_amps && overload_high_a < overload_low_a
  end
end
