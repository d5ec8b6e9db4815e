# frozen_string_literal: true

module Stations
  module WorkPlan
    # How this unit is, as ticked: each feature that its plan asks by its id.
    class FeaturesForm
      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(plan, params)
        @plan = plan
        @params = params
      end

      def answers
        @plan.answers.asked.to_h { |id, feature| [id, answer(id, feature)] }
      end

      private

      def answer(id, feature)
        return @params[id] == "1" if feature.key?("flag")
        (feature["choices"] & [@params[id]]).first || feature["choices"].first
      end
    end
  end
end
