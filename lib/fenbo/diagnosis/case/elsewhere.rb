# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What was decided to be wrong at other fans of the unit. What they do to the unit as a whole,
    # a box that warms because one fan stands, is no sign of anything at this one.
    class Elsewhere
      Fault = Value.of(:position, :equipment, :causes) do
        # "winding open at evaporator fan 2"
        def words
          "#{Diagnosis.low(causes.map(&:label).join(", "))} at #{position.sub("-", " fan ")}"
        end
      end

      # @param context [Input] with `decided`, a list of {position, causes}
      # @param family [String] of the unit
      # @param motors [Hash] motor family by position
      def self.read(context, family, motors, limits)
        faults = context.objects("decided", required: false, at_most: 100).filter_map do |row|
          position = row.text("position", longest: 60)
          causes = row.list("causes").each_with_index.filter_map do |id, index|
            Cause.all[id] || row.fault("causes.#{index}", "is not known here")
          end
          side = CaseFile.side_of(position)
          row.fault("position", "is no fan's: evaporator-1, condenser-2") if position && side.nil?
          next unless side && family
          Fault.new(position:, causes:, equipment: Equipment.new(family:, side:, motor: motors[position]))
        end
        new(faults, limits)
      end

      def initialize(faults, limits)
        @faults = faults
        @limits = limits
      end

      # The fault that makes what was said of the unit as likely as its own tests would, and
      # likelier than a sound fan does; nil where none is.
      # @param one [Evidence]
      # @return [Fault, nil]
      def explains(one)
        return nil unless one.test.unit?
        @faults.find { |fault| chance(fault, one) >= least(fault, one) }
      end

      # How likely it was said with this fault.
      def chance(fault, one)
        model = Model.for(fault.equipment)
        places = fault.causes.filter_map { |cause| model.place(cause) }.sort
        (places.empty? || !fault.equipment.test?(one.test)) ? 0.0 : said(model, places, one)
      end

      private

      def least(fault, one)
        sound = said(Model.for(fault.equipment), [], one)
        [@limits["diagnosis.unexplained"], sound * @limits["diagnosis.weak_factor"]].max
      end

      def said(model, set, one)
        model.state_of(set).each_with_index.sum do |share, m|
          share * one.extra.inject(one.base) { |sum, (k, weight)| sum + weight * model.chance(one.test, m, set, k) }
        end
      end
    end
  end
end
