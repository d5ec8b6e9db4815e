# frozen_string_literal: true

module Stations
  module Match
    # Up to four parts beside the old motor, line by line; a line on which they differ
    # stands out.
    class Comparison
      Row = Fenbo::Value.of(:label, :cells) do
        def odd? = cells.compact.uniq.size > 1
      end
      PLATE = [
        ["Family", ->(motor) { Shared::Words::MOTORS[motor.family] }],
        ["Volts", ->(motor) { list(motor.volts) }],
        ["Amps", ->(motor) { list(motor.amps) }],
        ["Watts in", ->(motor) { figure(motor.watts) }],
        ["Horsepower", ->(motor) { figure(motor.horsepower) }],
        ["Speed, rpm", ->(motor) { figure(motor.rpm) }],
        ["Poles", ->(motor) { figure(motor.poles) }],
        ["Turns, from the shaft end", ->(motor) { Fenbo::Matching::Rotation::WORDS[motor.rotation] }],
        [
          "Shaft, mm",
          ->(motor) { [motor.shaft_diameter_mm, motor.shaft_length_mm].compact.map { |one| figure(one) }.join(" × ") }
        ],
        ["Mount", ->(motor) { motor.mount&.tr("_", " ") }],
        ["Enclosure", ->(motor) { motor.enclosure&.tr("_", " ") }],
        ["Connector", ->(motor) { motor.connector }],
        ["Control", ->(motor) { motor.control&.tr("_", " ") }]
      ].freeze

      attr_reader :search, :numbers

      def initialize(search, numbers)
        @search = search
        @numbers = numbers.select { |number| search.motor(number) }
      end

      def judged(number) = search.judged(number)

      # What the plates say, the old one first.
      def plate
        PLATE.map do |label, read|
          Row.new(label:, cells: [search.old, *motors].map { |motor| motor && instance_exec(motor, &read) })
        end
      end

      # What the checks say of each.
      def checks
        names = numbers.flat_map { |number| lines(number).keys }.uniq
        names.map { |name| Row.new(label: name, cells: numbers.map { |number| lines(number)[name] }) }
      end

      def motors = numbers.map { |number| search.motor(number) }

      private

      def lines(number)
        (judged(number)&.checks || []).to_h { |line| [line.check, line] }
      end

      def list(values) = values.map { |one| figure(one) }.join("/")

      def figure(number) = number && Fenbo::Quantities.tidy(number)
    end
  end
end
