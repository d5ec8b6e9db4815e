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
      choice.with_lock { take(choice, book) unless choice.come_from?(option["offer"]) || stands?(choice, book) }
      book.finish("source")
    end

    private

    # The same way again, with its stopgap in place meanwhile: what was taken stands, with what it costs.
    def stands?(choice, book)
      held = book.job.drift_from&.stopgap or return false
      choice.offer.to_h.values_at("offer", "stopgap") == [option["offer"], held] &&
        (choice.ready_at - ready_at).abs < PartOrder::SAME_S
    end

    def take(choice, book)
      VanPieces.swap(choice, option, book)
      choice.update!(offer: VanPieces.owned(option, book), ready_at:)
      PartOrder.follow(choice, option, user: book.user, ready_at:)
      plan_visit(book) if second_trip
    end

    def plan_visit(book)
      others = beside(book)
      plan = {starts_at: [ready_at, *others.filter_map(&:ready_at)].max,
              planned_minutes: minutes && minutes + others.sum { |choice| minutes_of(choice.offer) }}
      planned = book.record.visits.find { |visit| visit.ends_at.nil? && visit.starts_at > book.now }
      return planned.update!(plan) if planned
      technician = book.record.technician || book.user
      book.record.visits.create!(technician:, purpose: Visit::FOR_PART, **plan)
    end

    # The job's other parts that one trip waits for and serves.
    def beside(book)
      book.job.faults.reject { |one| one.key == book.job.fault_at(fault).key }.filter_map(&:part_choice)
        .select { |choice| choice.awaited? && choice.offer["second_trip"] }
    end

    def minutes_of(offer)
      from, to = offer.values_at("start_at", "finish_at").map { |at| at && Time.parse("#{at}Z") }
      (from && to) ? ((to - from) / 60).round : 0
    end
  end
end
