# frozen_string_literal: true

module Stations
  module HandOver
    # What was done: in the customer's words, then line by line.
    class PdfWork < PdfPart
      def print
        lines = WorkLines.new(report, words)
        summary = report.handover&.summary
        return if lines.done.empty? && summary.nil?
        paper.section "What was done"
        paper.text summary if summary
        lines.done.each { |line| paper.text line }
        lines.otherwise.each { |line| paper.text line, color: Shared::Paper::COPPER }
      end
    end
  end
end
