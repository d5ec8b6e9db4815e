# frozen_string_literal: true

module Fenbo
  module Proof
    # An exponential approach fitted through readings by least squares:
    #
    #   T(t) = T∞ + (T0 − T∞)·e^(−t/τ)     T in °C, t and τ in minutes
    #
    # For a given τ the best T∞ and T0 follow in one step (the model is linear in
    # them); τ itself is searched by golden section on its logarithm.
    Cooling = Value.of(:settles_c, :start_c, :tau_minutes, :rmse_c) do
      # τ is looked for between these shares of the time the readings span.
      shortest, longest = 0.02, 50.0
      golden = (Math.sqrt(5) - 1) / 2

      # @param minutes [Array<Float>] rising, from 0
      # @param celsius [Array<Float>] as many
      # @param steps [Integer] narrowings of the search, a factor of 0.62 each
      define_singleton_method(:fit) do |minutes, celsius, steps: 60|
        span = minutes.last.to_f
        low, high = Math.log(span * shortest), Math.log(span * longest)
        error = ->(log_tau) { through(minutes, celsius, Math.exp(log_tau)).rmse_c }
        steps.times do
          left, right = high - golden * (high - low), low + golden * (high - low)
          (error[left] <= error[right]) ? high = right : low = left
        end
        through(minutes, celsius, Math.exp((low + high) / 2))
      end

      # The best line for one τ: T = T∞ + a·x with x = e^(−t/τ).
      define_singleton_method(:through) do |minutes, celsius, tau|
        x = minutes.map { |minute| Math.exp(-minute / tau) }
        settles, slope = Statistics.line(x, celsius)
        squares = x.each_index.sum { |i| (celsius[i] - settles - slope * x[i])**2 }
        new(settles_c: settles, start_c: settles + slope, tau_minutes: tau, rmse_c: Math.sqrt(squares / x.size))
      end

      # °C at `minute` after the first reading.
      def at(minute)
        settles_c + (start_c - settles_c) * Math.exp(-minute / tau_minutes)
      end

      # Minutes after the first reading until `celsius` is reached; 0 when it starts
      # there, nil when it never does.
      def reaches(celsius)
        return 0.0 if start_c <= celsius
        return nil if settles_c >= celsius
        -tau_minutes * Math.log((celsius - settles_c) / (start_c - settles_c))
      end
    end
  end
end
