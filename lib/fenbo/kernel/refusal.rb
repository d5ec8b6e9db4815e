# frozen_string_literal: true

module Fenbo
  # The answer to bad input: every wrong field at once, each with a sentence
  # that says what would be right. Never a partial verdict.
  class Refusal
    Fault = Value.of(:field, :message)

    attr_reader :faults

    def initialize(faults)
      @faults = faults.map { |field, message| Fault.new(field:, message:) }.freeze
      freeze
    end

    def refused? = true

    def verdict = nil

    # The first message at `field`, or nil.
    def at(field) = faults.find { |fault| fault.field == field }&.message

    def to_h = {errors: faults.map(&:to_h)}

    def as_json(*) = Json.plain(to_h)
  end
end
