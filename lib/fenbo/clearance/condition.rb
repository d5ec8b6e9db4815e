# frozen_string_literal: true

module Fenbo
  module Clearance
    # What one condition demands of the seat s: low <= s <= high, in mm from the motor's
    # face. `lacks` is by how much it fails wherever the hub sits (a shaft that reaches
    # the guard by itself; below nothing where it does not), nil where the seat decides.
    Condition = Value.of(:id, :words, low: -Float::INFINITY, high: Float::INFINITY, lacks: nil) do
      # How far the seat is from breaking it; below nothing where it is broken.
      def margin(seat)
        [seat - low, high - seat, lacks ? -lacks : Float::INFINITY].min
      end
    end
  end
end
