# frozen_string_literal: true

module Fenbo
  module JobFile
    # The whole job; see JobFile. `state` is how the unit stands: L looking, P live, D made
    # safe and proved dead, C cover off. `fan` is the key of the one complained of, `beside`
    # the uid of the first job of the visit, `return_of` of the one it comes back to.
    Job = Shape.of(
      version: Integer, uid: String, number: Integer, unit: Unit, fan: Shape.maybe(String),
      technician: Shape.maybe(Person), complaint: String, complaint_kinds: [String], recent_work: Shape::FLAG,
      access_notes: Shape.maybe(String), status: String, cancel_reason: Shape.maybe(String),
      reopen_reason: Shape.maybe(String), station: String,
      opened_at: Time,
      closed_at: Shape.maybe(Time), closed_by: Shape.maybe(Person), countersigned_by: Shape.maybe(Person),
      box_c: Shape.maybe(Float), box_read_at: Shape.maybe(Time), earlier_c: Shape.maybe(Float),
      earlier_hours_ago: Shape.maybe(Float), box_log: Shape.maybe([BoxRead]), drift_from: Shape.maybe(DriftFrom),
      drift_end_c: Shape.maybe(Float), product_limit_c: Shape.maybe(Float),
      product_value_cents: Shape.maybe(Integer), state: String, state_at: Shape.maybe(Time),
      state_by: Shape.maybe(Person), beside: Shape.maybe(String), return_of: Shape.maybe(String), visits: [Visit],
      findings: [Finding], readings: [Reading], photos: [Photo], decisions: [Decision], part_choices: [PartChoice],
      steps: [StepDone], stations: [StationDone], proof_checks: [ProofCheck], quotes: Shape.maybe([Quote]),
      handover: Shape.maybe(Handover)
    ) do
      include Faults

      # Closed, or cancelled.
      def closed? = %w[closed cancelled].include?(status)

      def open? = status == "open"

      # How the unit stands: as somebody said, as long as that can be trusted; then as found.
      # @param now [Time]
      # @param limits [Limits]
      def stands(now, limits)
        (state_at && now - state_at <= limits["work_plan.gate_hours"] * 3600) ? state : FOUND
      end

      def dead?(now, limits) = stands(now, limits) == "D"

      # Whether a station's work is done; at Decide, as long as something stands decided.
      def done?(station)
        stations.any? { |one| one.station == station && one.done? } && (station != "decide" || !decision.nil?)
      end

      # The fan in hand: the one complained of, else the unit's first.
      def fan_in_hand = unit.fan(fan) || unit.fans.first

      # Whether the fan's motor was fitted shortly before this job was opened: by an earlier one.
      # What this job fitted was not there when its fault was found.
      # @param fan [Fan]
      # @param limits [Limits]
      def fitted_lately?(fan, limits)
        fitted = fan.motor&.installed_on or return false
        (opened_at.getlocal.to_date - fitted).between?(1, limits["looking.recent_work_days"])
      end

      def live_findings = findings.reject(&:voided?)

      # What was seen of the fans as they are now: of one with a new motor nothing from before it.
      def findings_now
        fitted = new_motors
        live_findings.reject { |one| fitted.key?(one.fan) && one.taken_at <= fitted[one.fan] }
      end

      # @return [Hash{String => Time}] key of a fan => when this job fitted its motor
      def new_motors
        faults.select { |one| one.part_choice&.motor && one.part_choice.fitted? }
          .to_h { |one| [one.place_key, one.part_choice.fitted_at] }
      end

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

      # The fan an entry is about; of one without, the fan in hand.
      def place(entry) = entry.fan || fan_in_hand&.key

      # What the box read since something last changed its drift, oldest first.
      # @return [Array<Array(Time, Float)>]
      def box_points = box_log.to_a.map { |one| [one.at, one.c] }

      # Who is at the unit, and was.
      # @param limits [Limits]
      def presence(limits = Limits.default) = Presence.new(self, limits)
    end
  end
end
