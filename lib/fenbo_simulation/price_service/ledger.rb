# frozen_string_literal: true

require "json"

module FenboSimulation
  class PriceService
    # What was ordered of whom, and who is made to fail. Kept in a file, written whole and
    # renamed, so that the service killed in the middle knows after it what it promised.
    class Ledger
      # @param file [String, nil] nil: only remembered
      def initialize(file)
        @file = file
        @lock = Mutex.new
        @kept = read
      end

      def sold(seller, part_no)
        orders.values.sum { |one| (one.values_at("seller", "part_no") == [seller, part_no]) ? one["count"] : 0 }
      end

      def order(id) = orders[id]

      # The last piece goes to whoever asks first; the same id again gets the same answer.
      # @yieldparam sold [Integer] pieces that went already
      # @return [Hash, nil] nil where the block says no
      def place(id, order)
        @lock.synchronize do
          next orders[id] if orders.key?(id)
          next nil unless yield sold(*order.values_at("seller", "part_no"))
          keep { orders[id] = order.merge("id" => id, "state" => "placed") }
        end
      end

      def cancel(id) = @lock.synchronize { keep { orders.delete(id) } }

      # A delivery that comes later than was promised.
      def slip(id, days)
        @lock.synchronize { keep { orders[id]["slips_days"] = days } }
      end

      def fault(seller) = @kept["faults"][seller]

      def fault!(seller, kind)
        @lock.synchronize { keep { @kept["faults"][seller] = kind } }
      end

      private

      def orders = @kept["orders"]

      def read
        kept = (@file && File.exist?(@file)) ? JSON.parse(File.read(@file)) : {}
        {"orders" => {}, "faults" => {}}.merge(kept)
      end

      def keep
        yield.tap { write if @file }
      end

      def write
        File.write("#{@file}.new", JSON.generate(@kept))
        File.rename("#{@file}.new", @file)
      end
    end
  end
end
