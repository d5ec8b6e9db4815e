# frozen_string_literal: true

module Fenbo
  module JobFile
    # What findings, readings, photos and decisions have in common: made once, by
    # somebody, known by the id its sender gave it, taken back but never changed.
    module Entry
      FIELDS = {
        id: String, fan: Shape.maybe(String), visit: Shape.maybe(String), by: Person, taken_at: Time,
        voided_at: Shape.maybe(Time), voided_by: Shape.maybe(Person), void_reason: Shape.maybe(String)
      }.freeze

      # A shape of an entry with members of its own.
      def self.of(**fields, &body)
        Shape.of(**FIELDS, **fields) do
          include Entry

          class_eval(&body) if body
        end
      end

      def voided? = !voided_at.nil?

      # Whether it says something of this fan: it was taken there, or on the whole unit.
      def about?(key) = fan.nil? || fan == key
    end
  end
end
