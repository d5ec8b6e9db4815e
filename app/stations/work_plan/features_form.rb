# frozen_string_literal: true

module Stations
  module WorkPlan
    # How this unit is, as ticked: each feature of its plan by its id.
    class FeaturesForm
      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(plan, params)
        @plan = plan
        @params = params
      end

      def answers
        @plan.features.to_h { |id, feature| [id, answer(id, feature)] }
      end

      private

      def answer(id, feature)
        return @params[id] == "1" if feature.key?("flag")
        (feature["choices"] & [@params[id]]).first || feature["choices"].first
      end
    end
  end
end
