# frozen_string_literal: true

module Entries
  # What taking a motor and taking another part have in common: it is for one fault, and takes
  # the place of what was chosen for that one before.
  module Choosing
    def action = :decide

    private

    # Two presses at once are one choice.
    # @param thing [Motor, Spare]
    # @param again [Proc] what a second press of the same thing changes, given its row
    # @param more [Hash] columns of a new row
    def choose(book, thing, again:, **more)
      book.record.with_lock do
        book.reread
        standing = book.choice(fault)
        (standing&.thing == thing) ? again.call(standing) : replace(book, standing, more)
      end
      book.finish("match")
    end

    def replace(book, standing, more)
      NotWanted.call(standing, book) if standing
      standing&.update!(superseded_at: book.now)
      one = book.job.fault_at(fault)
      PartChoice.create!(job: book.record, fan_position: book.fan(one.fan.key), fault: one.key, user: book.user, grade:,
        checks:, beside:, **more)
    end
  end
end
