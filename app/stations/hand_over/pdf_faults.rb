# frozen_string_literal: true

module Stations
  module HandOver
    # What it was at each place, what was decided about it, its gauges before and after on one scale.
    class PdfFaults < PdfPart
      GAUGE = 420

      def print = report.faults.each { |fault| fault(fault) }

      private

      def fault(fault)
        decision = fault.decision
        paper.section "#{fault.place}: #{decision&.label || "no cause decided"}"
        return unless decision
        paper.text decided_line(decision)
        company = report.company(fault)
        paper.text company if company
        part = words.part_words(fault)
        paper.text "#{part.upcase_first}." if part
        if decision.overridden?
          paper.text "Decided otherwise than proposed (#{Fenbo::Diagnosis::Cause.label(decision.proposed)}): " \
            "#{decision.override_reason}", color: Shared::Paper::COPPER
        end
        gauges(fault)
        paper.text words.disproved_words(fault), color: Shared::Paper::COPPER if fault.disproved?
      end

      def decided_line(decision)
        countersigned = ", countersigned by #{decision.countersigned_by.name}" if decision.countersigned_by
        "#{Shared::Words::ACTIONS[decision.action]}. Decided by #{decision.by.name}, " \
          "#{words.day_clock(decision.taken_at)}#{countersigned}."
      end

      def gauges(fault)
        pair = report.pair(fault)
        top = Shared::Drawing::AmpsScale.top_for(pair.values.map(&:answer)) if pair.any?
        pair.each do |moment, reading|
          paper.gap 3
          paper.text "#{moment}: #{words.measured_words(reading)}"
          next unless reading.answer.legs.any? && !reading.answer.watts
          paper.drawing words.amps_scale(reading, top:, label: moment), width: GAUGE
        end
      end
    end
  end
end
