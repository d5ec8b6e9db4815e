# frozen_string_literal: true

module Fenbo
  # The shape every tool has: `read` turns an Input (and the limits) into a frozen question,
  # `answer` turns the question into a Result. A strange reading never raises;
  # it comes back as a Refusal.
  class Tool
    include Reasoning

    # @param raw [Hash] parsed JSON, string keys
    # @param limits [Limits] the shop's limits
    # @return [Result, Refusal]
    def self.call(raw, limits: Limits.default)
      input = Input.new(raw)
      question = read(input, limits)
      return input.refusal unless input.clean?
      new(question, limits).answer
    end

    attr_reader :question, :limits

    def initialize(question, limits)
      @question = question
      @limits = limits
    end
  end
end
