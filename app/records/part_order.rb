# frozen_string_literal: true

# A part ordered of a supplier for one fault, or reserved at a counter: under a number of its
# own, so that sending it again orders nothing twice. `promised_at` is when the work was to
# begin as it was ordered, `ready_at` as it stands now.
class PartOrder < ApplicationRecord
  include Audited

  # to_send, to_cancel: the supplier is not told yet. by_hand: by telephone, with the sheet.
  # over: here, and not wanted any more, until it is returned, or kept on a van.
  STATES = %w[to_send placed by_hand sold to_cancel cancelled here over returned kept].freeze

  # What each becomes that nobody wants any more, where it is not simply off.
  NOT_WANTED = {"placed" => "to_cancel", "here" => "over"}.freeze

  # On its way, or to be fetched.
  COMING = %w[placed by_hand].freeze

  # Two that begin as close together as this are one.
  SAME_S = 600

  belongs_to :job
  belongs_to :part_choice
  belongs_to :user

  scope :live, -> { where(state: %w[to_send placed by_hand here]) }
  scope :unsettled, -> { where(state: %w[to_send to_cancel]) }
  scope :not_used, -> { where(state: "over") }
  scope :of, ->(technician) { where(job: Job.where(technician:)) }

  # What was ordered for a job and not taken back, in order.
  def self.standing(job)
    where(job:).where.not(state: %w[to_cancel cancelled]).order(:id)
  end

  # What is ordered once somebody takes an option; an earlier order of the same choice ends.
  # @param option [Hash] as it is kept with the choice
  # @return [PartOrder, nil] nil where it comes off a van
  def self.follow(choice, option, user:, ready_at:)
    standing = where(part_choice: choice).live
    again = standing.find { |order| order.same_as?(option, ready_at) }
    return again if again
    not_wanted(choice)
    return unless option["order"]
    create!(job: choice.job, part_choice: choice, user:, ready_at:, promised_at: ready_at, supplier: option["offer"],
      supplier_name: option["source"], part_no: choice.thing.part_no,
      **option["order"].slice("kind", "their_no", "price_cents", "besides", "state").transform_keys(&:to_sym))
  end

  # Another part was chosen, or none is needed.
  def self.not_wanted(choice) = where(part_choice: choice).live.each(&:withdraw)

  # The same way taken again: a second press, within minutes.
  def same_as?(option, time)
    supplier == option["offer"] && (ready_at - time).abs < SAME_S
  end

  # Not wanted any more; a supplier that knows of it has to be told.
  def withdraw
    update!(state: NOT_WANTED.fetch(state, "cancelled"))
  end

  # Somebody else had the last piece: the choice stands without a source again.
  def sold_out
    transaction do
      update!(state: "sold")
      choice = PartChoice.lock.find(part_choice_id)
      choice.update!(offer: nil, ready_at: nil) if choice.offer.to_h["offer"] == supplier && !choice.fitted_at
      Visit.for_part(job).each(&:destroy!)
    end
  end

  # Comes later, or sooner, than it was said: the work and its visit move with it.
  def moves_to(time)
    transaction do
      shift = time - ready_at
      update!(ready_at: time)
      part_choice.update!(ready_at: time) unless part_choice.fitted_at
      Visit.for_part(job).each { |visit| visit.update!(starts_at: visit.starts_at + shift) }
    end
  end

  # It is in our hands, whatever was promised; the visit stays where it was agreed.
  # @return [Boolean] false where it was not on its way; a second press finds it here
  def came(now)
    with_lock do
      next state == "here" unless coming?
      ready = [ready_at, now].min
      part_choice.update!(ready_at: ready, offer: part_choice.offer&.merge("here" => true)) unless part_choice.fitted_at
      update!(state: "here", ready_at: ready)
    end
  end

  # What is here and not used went back, or stays on somebody's van for another job.
  # @param how [String] returned or kept
  # @param by [User] whose van keeps it
  # @return [Boolean] false where it was not waiting for that; a second press finds it done
  def settle(how, by)
    with_lock do
      next state == how unless state == "over"
      VanStock.change(by, part_no, count, kind: "restocked", by:, job:, client_id: uid) if how == "kept"
      update!(state: how)
    end
  end

  # Somebody has it still, or brings it.
  def coming? = COMING.include?(state)

  # Wanted, and not here yet.
  def awaited? = coming? || state == "to_send"

  def late_by_hours = (ready_at - promised_at) / 3600.0

  def number = "#{job.number}-#{id}"
end
