# frozen_string_literal: true

module Stations
  module WorkPlan
    # How this unit is, as ticked: each feature of its plan by its id. What the unit's record
    # says itself (wet, flammable) is changed there, and what was seen on the job is looked at anew.
    class FeaturesForm
      OF_THE_RECORD = %w[flammable wet].freeze

      # @param plan [Fenbo::WorkPlan::Progress]
      def self.asked(plan)
        plan.answers.features.except(*OF_THE_RECORD).reject { |_, feature| feature.key?("seen") }
      end

      def initialize(plan, params)
        @plan = plan
        @params = params
      end

      def answers
        FeaturesForm.asked(@plan).to_h { |id, feature| [id, answer(id, feature)] }
      end

      private

      def answer(id, feature)
        return @params[id] == "1" if feature.key?("flag")
        (feature["choices"] & [@params[id]]).first || feature["choices"].first
      end
    end
  end
end
