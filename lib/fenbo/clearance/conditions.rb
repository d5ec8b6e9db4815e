# frozen_string_literal: true

module Fenbo
  module Clearance
    # The conditions of a fit with n spacers, which move guard and orifice away from the
    # motor by n·t; and the seats that meet all of them.
    class Conditions
      def initialize(question, spacers)
        @question = question
        @moved = spacers * question.spacer_mm
      end

      def all = @all ||= [engagement, motor, *guard, *orifice, *key]

      # Lengths of shaft that would fit with any of these numbers of spacers: [least, most],
      # most nil without a guard; nil where the place lets no blade sit at all.
      def self.shafts(tried)
        spans = tried.filter_map(&:shaft_span)
        return nil if spans.empty?
        [spans.map(&:first).min, spans.map(&:last).include?(nil) ? nil : spans.map(&:last).max]
      end

      def shaft_span
        others = all.reject { |one| one.id == "engagement" }
        low, high = others.map(&:low).max, others.map(&:high).min
        least = [low + q.allowed.engagement * q.hub_mm, 0].max
        most = q.guard_mm && q.guard_mm + @moved - q.allowed.guard_clearance
        [least, most] if Tolerance.at_most?(low, high) && (most.nil? || Tolerance.at_most?(least, most))
      end

      # [low, high] of the seat; empty where low > high.
      def range = [all.map(&:low).max, all.map(&:high).min]

      # By how many mm the worst pair of demands misses; nothing where all are met.
      def shortfall
        low, high = range
        [low - high, *all.filter_map(&:lacks)].max.then { |short| Tolerance.at_most?(short, 0) ? 0.0 : short }
      end

      def met? = shortfall.zero?

      # Who stands in the way: of those that demand too much, guard and key before the rest.
      def blocking
        low, high = range
        hopeless = all.select(&:lacks).max_by(&:lacks)
        return [hopeless] if hopeless && Tolerance.above?(hopeless.lacks, 0) && hopeless.lacks >= low - high
        [all.find { |one| one.high == high }, all.find { |one| one.low == low }]
      end

      private

      def q = @question

      # min(s + h, L) − s >= share·h
      def engagement
        Condition.new(
          id: "engagement",
          words: "the hub on the shaft",
          high: q.shaft_mm - q.allowed.engagement * q.hub_mm
        )
      end

      # s − b_m − m >= clearance
      def motor
        Condition.new(
          id: "motor",
          words: "the blade clear of the motor",
          low: q.boss_mm + q.towards_motor_mm + q.allowed.motor_clearance
        )
      end

      # G + n·t − max(s + b_f, L) >= clearance
      def guard
        return [] unless q.guard_mm
        room = q.guard_mm + @moved - q.allowed.guard_clearance
        [
          Condition.new(id: "guard", words: "the blade clear of the guard", high: room - q.towards_front_mm),
          Condition.new(id: "guard", words: "the shaft clear of the guard", lacks: q.shaft_mm - room)
        ]
      end

      # i = (O + n·t − (s − b_m)) ÷ (b_m + b_f), between two shares
      def orifice
        return [] unless q.orifice_mm
        least, most = q.allowed.immersion
        plane = q.orifice_mm + @moved + q.towards_motor_mm
        [
          Condition.new(
            id: "orifice",
            words: "the blade in its opening",
            low: plane - most * q.blade_depth_mm,
            high: plane - least * q.blade_depth_mm
          )
        ]
      end

      # k0 + margin <= s + k <= k1 − margin
      def key
        key = q.key or return []
        edge = q.allowed.key_margin
        [
          Condition.new(
            id: "key",
            words: "the screw inside the keyway",
            low: key.from_mm + edge - key.screw_mm,
            high: key.to_mm - edge - key.screw_mm
          )
        ]
      end
    end
  end
end
