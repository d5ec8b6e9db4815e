# frozen_string_literal: true

module Fenbo
  module JobFile
    # The whole job; see JobFile. `state` is how the unit stands: L looking, P live, D made
    # safe and proved dead, C cover off. `fan` is the key of the one complained of, `beside`
    # the uid of the first job of the visit, `return_of` of the one it comes back to.
    Job = Shape.of(
      version: Integer, uid: String, number: Integer, unit: Unit, fan: Shape.maybe(String),
      technician: Shape.maybe(Person), complaint: String, complaint_kinds: [String], recent_work: Shape::FLAG,
      access_notes: Shape.maybe(String), status: String, cancel_reason: Shape.maybe(String), station: String,
      opened_at: Time,
      closed_at: Shape.maybe(Time), closed_by: Shape.maybe(Person), countersigned_by: Shape.maybe(Person),
      box_c: Shape.maybe(Float), box_read_at: Shape.maybe(Time), earlier_c: Shape.maybe(Float),
      earlier_hours_ago: Shape.maybe(Float), drift_end_c: Shape.maybe(Float), product_limit_c: Shape.maybe(Float),
      product_value_cents: Shape.maybe(Integer), state: String, state_at: Shape.maybe(Time),
      state_by: Shape.maybe(Person), beside: Shape.maybe(String), return_of: Shape.maybe(String), visits: [Visit],
      findings: [Finding], readings: [Reading], photos: [Photo], decisions: [Decision], part_choices: [PartChoice],
      steps: [StepDone], stations: [StationDone], proof_checks: [ProofCheck], handover: Shape.maybe(Handover)
    ) do
      # Closed, or cancelled.
      def closed? = %w[closed cancelled].include?(status)

      def open? = status == "open"

      def dead? = state == "D"

      # Whether a station's work is done.
      def done?(station)
        stations.any? { |one| one.station == station && one.done? }
      end

      # The fan in hand: the one complained of, else the unit's first.
      def fan_in_hand = unit.fan(fan) || unit.fans.first

      def live_findings = findings.reject(&:voided?)

      def live_readings = readings.reject(&:voided?)

      # Readings of one kind that count, oldest first.
      def readings_of(kind, phase: nil, fan: nil)
        live_readings.select do |one|
          one.kind == kind && (phase.nil? || one.phase == phase) && (fan.nil? || one.fan == fan)
        end
      end

      # The last answer to a test on this fan, or on the unit.
      def answer_to(test, fan)
        live_findings.reverse.find { |one| one.test == test && one.about?(fan) }
      end

      def live_photos = photos.reject(&:voided?)

      # The decision that stands: about this fan, or the last of all.
      # @param fan [String, nil] its key
      def decision(fan = nil)
        decisions.reject { |one| one.voided? || (fan && place(one) != fan) }.last
      end

      # Since when what is seen of this fan is seen after a repair that did not prove; nil where
      # none failed.
      # @param fan [String] its key
      def retested_at(fan)
        decisions.select { |one| one.disproved? && place(one) == fan }.map(&:voided_at).max
      end

      # What was read after a repair that did not prove speaks of that repair alone.
      def since_retest(readings, fan)
        since = retested_at(fan)
        since ? readings.select { |one| one.taken_at > since } : readings
      end

      # The part that stands chosen, for this fan or the last of all.
      def part_choice(fan = nil)
        part_choices.reject { |one| one.superseded_at || (fan && place(one) != fan) }.last
      end

      # Every fan about which something was decided or chosen, in the unit's order.
      # @return [Array<Fault>]
      def faults
        unit.fans.map { |one| fault_of(one) }.select { |one| one.decision || one.part_choice }
      end

      # @param fan [Fan]
      def fault_of(fan)
        Fault.new(
          fan:,
          decision: decision(fan.key),
          part_choice: part_choice(fan.key),
          before: readings_of("amps", phase: "before", fan: fan.key).last,
          after: since_retest(readings_of("amps", phase: "after", fan: fan.key), fan.key).last
        )
      end

      # Whose plate readings after the work are judged by: the motor chosen for this fan, until
      # it is fitted and is the fan's own.
      # @param fan [Fan]
      def plate_after(fan)
        choice = part_choice(fan.key)
        (choice&.motor && !choice.fitted?) ? choice.motor : fan.motor
      end

      # The fan an entry is about; of one without, the fan in hand.
      def place(entry) = entry.fan || fan_in_hand&.key

      # The visit that goes on, nil where nobody is there.
      def visit_at(now) = visits.reverse.find { |one| one.going_on?(now) }
    end
  end
end
