# frozen_string_literal: true

# How many pieces of a part lie on somebody's van, and how few of them are too few. Every change
# leaves a VanMove; two people at the last piece: one gets it.
class VanStock < ApplicationRecord
  # Not so many pieces are there.
  class Empty < StandardError; end

  MOST = 999

  belongs_to :user

  scope :there, -> { where("count > 0") }

  # @return [VanStock] locked until the transaction ends
  def self.of(user, part_no)
    create_or_find_by!(user:, part_no:)
    lock.find_by!(user:, part_no:)
  end

  # Puts pieces on a van or takes them off.
  # @param kind [String] as VanMove knows it
  # @raise [Empty] where fewer are there
  def self.change(user, part_no, by_count, kind:, by:, client_id: SecureRandom.uuid, job: nil)
    transaction do
      known = VanMove.find_by(client_id:)
      next known if known
      row = of(user, part_no)
      count = row.count + by_count
      raise Empty, part_no if count.negative?
      row.update!(count:)
      VanMove.create!(user:, by:, job:, client_id:, part_no:, kind:, change: by_count, count_after: count)
    end
  end

  # As many as somebody counted.
  def self.counted(user, part_no, count, by:, client_id:)
    transaction do
      change(user, part_no, count - of(user, part_no).count, kind: "counted", by:, client_id:)
    end
  end

  def low? = count < least
end
