# frozen_string_literal: true

module Fenbo
  module Matching
    # A place measured along the shaft, asked with the shaft of one candidate after
    # another; the same length is solved once.
    class FitPlace
      def initialize(question, limits)
        @question = question
        @limits = limits
        @solved = {}
      end

      # @return [Result] of the tool `fit`
      def with(shaft_mm)
        @solved[shaft_mm] ||= Clearance::Fit.new(Clearance::Question.new(**@question.to_h, shaft_mm:), @limits).answer
      end
    end
  end
end
