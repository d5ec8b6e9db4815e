# frozen_string_literal: true

module Fenbo
  module JobFile
    # Where a fan sits: evaporator 1..n or condenser 1..n of its unit, with its motors over
    # time, the measurements of its place (the latest reading of kind `fit`, from whichever
    # job) and what its motor drew while it was well, A.
    Fan = Shape.of(
      side: String, number: Integer, motors: [Motor], place: Shape.maybe(Reading), healthy_amps: Shape.maybe(Float)
    ) do
      # As the core names it: "evaporator-2".
      def key = "#{side}-#{number}"

      # The motor that sits there now.
      def motor = motors.find(&:in_place?)

      def label = "fan #{number}"

      def long_label = "#{side.capitalize} fan #{number}"
    end
  end
end
