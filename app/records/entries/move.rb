# frozen_string_literal: true

module Entries
  # A job that was opened on the wrong unit. Before anything was recorded it simply changes
  # its unit; what was recorded belongs to the unit it was taken on and stays there: the call
  # goes on as a new job, and the old one is cancelled.
  Move = Entry.of(:unit, :id) do
    def action = :assign

    def against(book)
      [:unit, "It stands on that unit already."] if unit.id == book.record.unit_id
    end

    # @return [Job] that goes on
    def append(book)
      return change(book.record) if book.record.untouched?
      follower(book).tap do |job|
        Cancel.new(reason: "Wrong unit: goes on as job #{job.number} on #{unit.name}").append(book)
      end
    end

    private

    def change(job)
      job.update!(unit:, fan_position: nil, **clock)
      job
    end

    def follower(book)
      call = book.record.attributes.slice(*%w[complaint complaint_kinds recent_work access_notes technician_id
        opened_at])
      Job.find_by(client_id: id) || Job.create!(unit:, client_id: id, **call.symbolize_keys, **clock)
    end

    # The product is the other unit's.
    def clock
      unit.attributes.slice("product_limit_c", "product_value_cents", "drift_end_c").symbolize_keys
    end
  end
end
