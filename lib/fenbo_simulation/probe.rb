# frozen_string_literal: true

module FenboSimulation
  # A temperature probe in a simulated box after a repair, logging a line a minute as a
  # logger's CSV. It stands in for a probe that sends by itself.
  #
  #   Probe.new(condition: "well", setpoint_c: 3, start_c: 12, random: Random.new(1)).csv(30, Time.now)
  class Probe
    CONDITIONS = {"well" => "on its way down", "stalls" => "stalls above the setpoint", "rises" => "rises"}.freeze
    # Where the box settles over its setpoint, K, and how fast, minutes.
    FIGURES = {"well" => [-1.5, 35.0], "stalls" => [5.0, 18.0], "rises" => [20.0, 60.0]}.freeze
    JITTER_K = 0.05
    OVER_K = 9.0

    # What it shows once, of a box that is so warm: one decimal, beside the truth by its jitter.
    def self.beside(celsius, random:)
      (celsius + JITTER_K * (2 * random.rand - 1)).round(1)
    end

    # @param start_c [Float, nil] where it begins; nil: well over the setpoint
    def initialize(condition:, setpoint_c:, random:, start_c: nil)
      @rise, @tau = FIGURES.fetch(condition)
      @setpoint = setpoint_c
      @start = start_c || setpoint_c + OVER_K
      @random = random
    end

    # @param minute [Numeric] since everything runs again
    # @return [Float] °C, one decimal, as it shows
    def at(minute)
      settles = @setpoint + @rise
      (settles + (@start - settles) * Math.exp(-minute / @tau) + JITTER_K * (2 * @random.rand - 1)).round(1)
    end

    # @param minutes [Integer] up to `now`, a line each
    def csv(minutes, now)
      lines = (0..minutes).map do |minute|
        "#{(now - (minutes - minute) * 60).strftime("%Y-%m-%d %H:%M")},#{at(minute)}"
      end
      ["Date/Time,Temperature °C", *lines].join("\n")
    end
  end
end
