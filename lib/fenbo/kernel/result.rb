# frozen_string_literal: true

module Fenbo
  # What a tool found out: the verdict, the figures behind it and the reasons.
  # Screen, PDF, command and API all render this one object.
  class Result
    attr_reader :verdict, :figures, :reasons

    # @param verdict [String, nil] nil only where a tool has nothing to judge
    # @param figures [Hash] plain numbers, strings, lists; keys as in the contract
    # @param reasons [Array<Reason>]
    def initialize(verdict:, figures: {}, reasons: [])
      @verdict = verdict
      @figures = figures.freeze
      @reasons = reasons.freeze
      freeze
    end

    def refused? = false

    def [](key) = figures[key]

    def to_h
      {verdict:, **figures, reasons: reasons.map(&:to_h)}
    end

    def ==(other) = other.is_a?(Result) && to_h == other.to_h
    alias_method :eql?, :==

    def hash = to_h.hash
  end
end
