# frozen_string_literal: true

module Fenbo
  # What the core answers: the verdict, the figures behind it by name, and the reasons.
  # Each tool's file in tools/ says which figures those are.
  #
  #   Fenbo.call(:amps, question).window.low
  #   Fenbo.call(:amps, question).as_json     # at the edges: command, API, database
  module Answer
    # @param figures [Hash] member => type, as Shape takes them
    def self.of(**figures)
      Shape.of(verdict: Shape.maybe(String), **figures, reasons: [Reason]) { include Answer }
    end

    def refused? = false
  end
end
