# frozen_string_literal: true

module Suppliers
  # Tells suppliers what was ordered and what is not wanted any more: at once where they answer,
  # by itself later where they do not. An order is known by its own id, so that nothing is
  # ordered twice however often it is sent.
  module Ordering
    # Later, until it is settled.
    class Settle < WorkQueue::Work
      LONGEST_WAIT_S = 600
      self.maximum_retry_count = 100
      self.retry_interval = ->(count) { [5 * 4**count, LONGEST_WAIT_S].min }

      def run(job_id) = Ordering.settle(PartOrder.unsettled.where(job_id:))
    end

    module_function

    # @return [Boolean] false where somebody is silent: it is tried again by itself
    def at_once(job)
      settle(PartOrder.unsettled.where(job:))
      true
    rescue Service::Silent
      Settle.enqueue(job.id, job_options: {run_at: Time.now + 5})
      false
    end

    # What a process that ended left untold.
    def take_up
      PartOrder.unsettled.distinct.pluck(:job_id).each { |job_id| Settle.enqueue(job_id) }
    end

    # @raise [Service::Silent] once the others are told
    def settle(orders)
      silent = orders.filter_map { |order| tell(order) }
      raise silent.first if silent.any?
    end

    # How late a delivery is, asked of its supplier; the order moves with it.
    # @return [Integer] days, 0 where it comes as promised
    # @raise [Service::Silent]
    def ask_again(order)
      days = Desk.service.slips(order.supplier, order.uid).to_i
      at = order.promised_at + days * 86_400
      order.moves_to(at) if (at - order.ready_at).abs >= 60
      days
    end

    def tell(order)
      (order.state == "to_send") ? place(order) : cancel(order)
      nil
    rescue Service::Silent => problem
      warn "order #{order.uid} to #{order.supplier}: #{problem.message}"
      problem
    end
    private_class_method :tell

    # Withdrawn while it was sent, it is cancelled next.
    def place(order)
      said = Desk.service.order(order.supplier, order.uid, part_no: order.part_no, count: order.count)
      order.with_lock do
        if said == :sold then order.sold_out if order.state == "to_send"
        else order.update!(state: (order.state == "to_send") ? "placed" : "to_cancel", placed_at: Time.now)
        end
      end
    end
    private_class_method :place

    def cancel(order)
      Desk.service.cancel(order.supplier, order.uid, part_no: order.part_no)
      order.update!(state: "cancelled")
    end
    private_class_method :cancel
  end
end
