# frozen_string_literal: true

# What must hold of every entry before it is taken, wherever it is kept: in the database or on
# a phone without signal. Whoever includes it has `user`, `record`, `job`, `job_ended?`,
# `known(entry)` and `keep(entry)`.
module Taking
  # An entry that cannot be taken: at which field, and why, in words for whoever sent it.
  class Refused < StandardError
    attr_reader :field

    def initialize(field, message)
      @field = field
      super(message)
    end
  end

  # What is signed stays signed, whoever still has a page of it open.
  def closed
    return "Job #{record.number} is cancelled: it takes nothing more." if record.status == "cancelled"
    "Job #{record.number} is closed and signed: open it again at Hand over first."
  end

  private

  # @raise [NotAllowed] where the role may not
  def allow(entry)
    raise NotAllowed, Policy.why_not(entry.action) unless Policy.allows?(user, entry.action)
  end

  # @return what keeping it gives back
  # @raise [Refused] with the field and a sentence, where something stands against it
  def append(entry)
    if job_ended? && !entry.after_closing?
      # Sent again because its answer was lost: it was taken while the job was open.
      return known(entry) || raise(Refused.new(:closed, closed))
    end
    field, message = entry.against(self)
    raise Refused.new(field, message) if message
    keep(entry)
  end
end
