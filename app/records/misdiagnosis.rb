# frozen_string_literal: true

# A return visit that found another cause: the first verdict, the tests made then,
# and the one that would have told.
class Misdiagnosis
  def self.all
    returns =
      Job
        .where.not(return_of_id: nil)
        .where(status: "closed")
        .preload(:decisions, :unit, return_of: %i[decisions findings])
    returns.map { |job| new(job) }.select(&:corrected?)
  end

  def self.corrected_ids = all.map { |one| one.first.id }

  attr_reader :later

  # @param later [Job] the return
  def initialize(later)
    @later = later
  end

  def first = later.return_of

  def said = first.decision&.causes || []

  def found = later.decision&.causes || []

  def corrected? = said.any? && found.any? && (said & found).empty?

  # What a minute weighs against telling two causes apart.
  MINUTE = 0.02

  # The test not made then that tells the two causes apart best for its minutes.
  def would_have_told
    place = first.unit.position(first.position_in_hand&.key)
    model =
      Fenbo::Diagnosis::Model.for(
        Fenbo::Diagnosis::Equipment.new(family: first.unit.family, side: place.side, motor: place.motor_now&.family)
      )
    made = first.findings.reject(&:voided?).map(&:test)
    pair = [said.first, found.first].map { |id| model.causes.index { |cause| cause.id == id } }
    return nil if pair.include?(nil)
    model
      .tests
      .reject { |test| made.include?(test.id) }
      .max_by { |test| distance(model, test, pair) - MINUTE * test.minutes }
  end

  private

  # Half the summed differences of the outcomes, over what the fan does.
  def distance(model, test, pair)
    one, other =
      pair.map do |c|
        model
          .state_of([c])
          .each_with_index
          .map { |share, m| model.distribution(test, m, [c]).map { |chance| chance * share } }
          .transpose
          .map(&:sum)
      end
    one.zip(other).sum { |a, b| (a - b).abs } / 2
  end
end
