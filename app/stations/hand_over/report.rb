# frozen_string_literal: true

module Stations
  module HandOver
    # Everything the handover shows, gathered once for page and PDF.
    class Report
      Besides = Fenbo::Value.of(:where, :what, :verdict, :reading)

      NAMES =
        Shared::Instrument::ALL.merge(
          "frost" => "Frost map",
          "sound" => "Sound",
          "fit" => "Along the shaft",
          "cleaning" => "Cleaning"
        ).freeze

      # How soon what was seen besides wants somebody.
      GRADES = {"now" => "to be done now", "soon" => "to be done soon", "watch" => "to be watched"}.freeze

      def self.of(job)
        new(job, limits: Shared::Shop.limits, shop: Setting.read("shop_name"))
      end

      attr_reader :job, :shop

      # @param job [Fenbo::JobFile::Job]
      # @param shop [String] whose report it is
      def initialize(job, limits:, shop:, now: Time.now)
        @job = job
        @shop = shop
        @limits = limits
        @now = now
      end

      def unit = job.unit

      # What it is about, in a line: every place with a fault, else the fan in hand.
      def places
        names = faults.map(&:place).uniq
        (names.any? ? names : [job.fan_in_hand.long_label]).join(", ")
      end

      # How it stands, in a line.
      def standing
        return "Looked at, nothing worked on" if faults.none?(&:worked_on?)
        return "Proved: it runs as it should" if proof.proved?
        "Not proved yet: #{proof.missing.size} to be seen"
      end

      # What the drawing shows, where it runs otherwise since the work.
      def drawn = faults.any?(&:worked_on?) ? "As it was found" : nil

      # Everything about which something was decided or chosen.
      def faults = job.faults

      # What usually comes with a fault's cause, whether it was looked for.
      # @return [String, nil]
      def company(fault) = Shared::Company.new(job, fault).words

      def handover = job.handover

      # What stands under the signature: the digest of the work it was given for, and what is
      # not any more as it was then.
      def signed_lines
        digest = handover&.signed_digest or return []
        changed = Entries::Signing.changed_words(job)
        ["Of what was signed, SHA-256: #{digest}", ("Since then #{changed} changed." if changed)].compact
      end

      # Why nobody signed, or not again after something changed; nil where none was noted.
      def unsigned_line
        reason = handover&.unsigned_because
        reason && "Not signed#{" again" if handover.signature}: #{reason.sub(/[.\s]+\z/, "")}."
      end

      def findings = job.live_findings

      # Without what was seen of a fan once it had its new motor.
      def as_found
        fitted = job.new_motors
        findings.reject { |one| fitted.key?(one.fan) && one.taken_at > fitted[one.fan] }
      end

      def readings(phase) = job.readings_of("amps", phase:)

      # The reading that stands for a fan: the last that could tell, else the last.
      # @return [Fenbo::JobFile::Reading, nil]
      def settled(phase, fan)
        all = job.readings_of("amps", phase:, fan: fan.key).select(&:answer)
        all.reject { |one| one.verdict == "cannot_tell" }.last || all.last
      end

      # A later reading of the same fan stands in this one's place.
      def read_again?(reading)
        return false unless reading.kind == "amps" && reading.answer
        !reading.equal?(settled(reading.phase, job.unit.fan(reading.fan)))
      end

      # What was read at a fault's fan before and after the work on it, told once where two faults
      # of one fan share it; nothing of what belongs to no fan.
      # @return [Hash{String => Fenbo::JobFile::Reading}]
      def pair(fault)
        return {} unless job.tells_amps?(fault)
        {"Before" => settled("before", fault.fan), "After" => after(fault)}.compact
      end

      # Why each reading that stands says what it says: limit, value and source, an amps reading's too.
      # @return [Array<Array(Fenbo::JobFile::Reading, Array<Fenbo::Reason>)>]
      def reasoned
        job.live_readings.reject { |reading| read_again?(reading) }
          .filter_map { |reading| [reading, reading.reasons] if reading.reasons.any? }
      end

      # What a kind of reading is called.
      def name_of(kind) = NAMES.fetch(kind)

      # Every other reading, in words: what was measured, painted or heard, and where.
      def besides
        job.live_readings
          .reject { |one| one.kind == "amps" }
          .map do |one|
            Besides.new(
              where: (one.kind == "frost") ? "Coil" : job.unit.place_of(one),
              what: NAMES.fetch(one.kind),
              verdict: said(one),
              reading: one
            )
          end
      end

      # The last map of the coil, to be drawn.
      def frost_map = job.readings_of("frost").last

      # The last recording of each fan.
      def sounds = job.readings_of("sound").group_by(&:fan).values.map(&:last)

      # "Sound, fan 2: bearing, dry or worn"
      def sound_words(reading)
        "Sound, #{job.unit.place_of(reading).downcase}: #{said(reading)}"
      end

      def visits = job.presence.made

      def proof = @proof ||= Fenbo::Proof::Checklist.new(job)

      # What is seen before the job is proved, and whether it was.
      # @return [Array<Array(String, Boolean)>] what is done by no press of its own comes last
      def proof_lines
        proof.checks.map { |id, text| [text, proof.done?(id)] } +
          (proof.missing - proof.checks.values).map { |text| [text, false] }
      end

      # Temporary measures that are not undone yet, as stopgaps.yml says them.
      # @return [Array<Hash>]
      def temporary
        proof.done?("undone") ? [] : Fenbo::Product::Stopgaps.to_undo(job)
      end

      # What was worked along the plans.
      def worked = @worked ||= Worked.new(job, limits: @limits)

      def refrigerant = Refrigerant.of(job)

      private

      def after(fault)
        return fault.after if fault.disproved?
        settled("after", fault.fan)
      end

      # Frost and sound in the words of their tests; nil where the verdict's own will do.
      def said(reading)
        test = {"frost" => "frost_pattern", "sound" => "sound_recording"}[reading.kind] or return nil
        return "behind #{unit.fan(iciest(reading))&.label || "one fan"}" if reading.verdict == "behind_one_fan"
        Fenbo::Diagnosis::Test[test].label(reading.verdict).downcase
      end

      # The fan whose zone stands out most.
      def iciest(reading)
        reading.answer.features.zones.select(&:contrast).max_by(&:contrast)&.position
      end
    end
  end
end
