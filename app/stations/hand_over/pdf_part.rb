# frozen_string_literal: true

module Stations
  module HandOver
    # A part of the handover sheet: writes itself on the paper where the sheet has come to.
    class PdfPart
      # @param report [Report]
      # @param words [Shared::Voice] for figures in the reader's units
      # @param paper [Shared::Paper]
      def initialize(report, words, paper)
        @report = report
        @words = words
        @paper = paper
      end

      private

      attr_reader :report, :words, :paper
    end
  end
end
