# frozen_string_literal: true

module Entries
  # The cause somebody stands for and what to do about it; `standing` is what Fenbo believed.
  # `fault` is the one in hand, by its key or its fan's; `besides` where it is another one there.
  Decision =
    Entry.of(:id, :fault, :causes, :proposed, :action_taken, :standing, probability: nil, override_reason: nil,
      besides: false) do
      def action = :decide

      def known(book) = ::Decision.find_by(client_id: id, job: book.record)

      def append(book)
        row =
          ::Decision.record(
            client_id: id,
            taken_at: book.now,
            job: book.record,
            visit: book.visit,
            fan_position: book.fan(book.job.fault_at(fault).fan.key),
            fault: book.job.fault_to_decide(fault, causes, besides:),
            user: book.user,
            causes:,
            proposed:,
            probability:,
            override_reason:,
            action: action_taken,
            standing:
          )
        book.finish("decide")
        book.record.update_columns(station: book.reread.station_decided)
        row
      end
    end
end
