# frozen_string_literal: true

module Entries
  # A piece off the van for a fault, and back on it where it is not wanted after all.
  module VanPieces
    VAN = "van"

    module_function

    # From one way of getting the part to another.
    # @param choice [PartChoice] locked
    def swap(choice, option, book)
      return if van?(choice.offer) && van?(option)
      put_back(choice, book)
      take(choice, book) if van?(option)
    end

    # What was taken off a van and is not in the unit.
    def put_back(choice, book)
      return if choice.fitted_at || !van?(choice.offer)
      owner = User.find_by(uid: choice.offer["van_of"]) or return
      VanStock.change(owner, choice.thing.part_no, 1, kind: "put_back", by: book.user, job: book.record)
    end

    def take(choice, book)
      VanStock.change(owner(book), choice.thing.part_no, -1, kind: "taken", by: book.user, job: book.record)
    rescue VanStock::Empty
      raise Logbook::Refused.new(:offer,
        "The last #{choice.thing.part_no} is gone from the van. Look again who has one.")
    end

    # The way taken, with whose van it was.
    def owned(option, book)
      van?(option) ? option.merge("van_of" => owner(book).uid) : option
    end

    # Who drives to the job.
    def owner(book) = book.record.technician || book.user

    def van?(offer) = offer.to_h["offer"] == VAN
  end
end
