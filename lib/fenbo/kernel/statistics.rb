# frozen_string_literal: true

module Fenbo
  # The few figures of many that the trade needs; plain floats in, plain floats out.
  module Statistics
    module_function

    # The middle of the sorted values, the mean of the two middle ones where they are even.
    # @param values [Array<Numeric>] at least one
    def median(values)
      sorted = values.sort
      middle = sorted.size / 2
      sorted.size.odd? ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2.0
    end

    def mean(values) = values.sum.fdiv(values.size)

    # y = at_zero + slope·x through the points by least squares.
    # @return [Array(Float, Float)] at_zero, slope; slope 0 where all x are alike
    def line(xs, ys)
      mean_x, mean_y = mean(xs), mean(ys)
      spread = xs.sum { |x| (x - mean_x)**2 }
      return [mean_y, 0.0] if spread.zero?
      slope = xs.each_index.sum { |index| (xs[index] - mean_x) * (ys[index] - mean_y) } / spread
      [mean_y - slope * mean_x, slope]
    end

    # How far off the slope of `line` is where each y is off by its own error, one as likely high
    # as low: sqrt(sum((x - mean)^2 e^2)) / sum((x - mean)^2).
    # @return [Float] 0 where all x are alike
    def slope_error(xs, errors)
      mean_x = mean(xs)
      spread = xs.sum { |x| (x - mean_x)**2 }
      return 0.0 if spread.zero?
      Math.sqrt(xs.each_index.sum { |index| ((xs[index] - mean_x) * errors[index])**2 }) / spread
    end
  end
end
