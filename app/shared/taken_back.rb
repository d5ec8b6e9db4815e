# frozen_string_literal: true

module Shared
  # What becomes of a job's orders once something else is chosen: suppliers are told, and whoever
  # chose reads what is left to do.
  class TakenBack
    # @param record [Job]
    # @yield takes the entry
    # @return [String] sentences, none where nothing was ordered
    def self.around(record)
      before = new(record)
      yield
      Suppliers::Ordering.at_once(record)
      before.words
    end

    def initialize(record)
      @before = PartOrder.where(job: record).live.to_a.map { |order| [order, order.state] }
    end

    def words
      @before.filter_map { |order, was| sentence(order, was, order.reload.state) }.join(" ")
    end

    private

    def sentence(order, was, now)
      name, part = order.supplier_name, order.part_no
      case now
      when was then nil
      when "over" then "#{part} is here and not used: it goes back to #{name}."
      when "to_cancel" then "#{name} does not answer: that #{part} is not wanted is kept, and sent by itself."
      when "cancelled" then off(name, part, was)
      end
    end

    def off(name, part, was)
      return "Was #{name} rung for #{part}? Ring again: it is not wanted any more." if was == "by_hand"
      "#{part} is taken back at #{name}."
    end
  end
end
