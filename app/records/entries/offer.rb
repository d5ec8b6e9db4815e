# frozen_string_literal: true

module Entries
  # Where the chosen part comes from; `option` with an "order" is ordered there. A second trip
  # plans its visit; an earlier plan moves.
  Offer = Entry.of(:fault, :option, :ready_at, :second_trip, minutes: nil) do
    def action = :decide

    # Above the customer's limit their yes comes first.
    def against(book)
      approval = Fenbo::Decision::Approval.new(book.job)
      [:approval, Approvals.sentence(approval)] if approval.asks_with?(option, except: book.job.fault_at(fault).key)
    end

    # The last piece of a van goes to whoever takes it first. What has come from there already
    # is in our hands: nothing is ordered again.
    # @raise [Logbook::Refused] to the other
    def append(book)
      choice = book.choice(fault)
      choice.with_lock { take(choice, book) unless choice.come_from?(option["offer"]) }
      book.finish("source")
    end

    private

    def take(choice, book)
      VanPieces.swap(choice, option, book)
      choice.update!(offer: VanPieces.owned(option, book), ready_at:)
      PartOrder.follow(choice, option, user: book.user, ready_at:)
      plan_visit(book) if second_trip
      # With a stopgap the box drifts otherwise than it was read before.
      book.record.update!(box_log: []) if option["stopgap"]
    end

    def plan_visit(book)
      planned = book.record.visits.find { |visit| visit.ends_at.nil? && visit.starts_at > book.now }
      technician = book.record.technician || book.user
      return planned.update!(starts_at: ready_at, planned_minutes: minutes) if planned
      book.record.visits.create!(technician:, starts_at: ready_at, planned_minutes: minutes, purpose: Visit::FOR_PART)
    end
  end
end
