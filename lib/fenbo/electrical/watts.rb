# frozen_string_literal: true

module Fenbo
  module Electrical
    # Electrical input power of a motor: read off a wattmeter, or V × I × pf
    # (× √3 for three phases). Only a measured power factor counts; an assumed
    # one is offered as `assumed`, never judged by.
    module Watts
      module_function

      # @return [Array(Float, Float), nil] watts and their error, nil when neither
      #   watts nor a power factor was given
      def of(question, legs)
        return [question.watts.to_f, 0.0] if question.watts
        volts = question.supply.mean
        return nil unless volts && question.power_factor
        [legs.map(&:amps), legs.map(&:error)].map do |values|
          volts * values.sum.fdiv(values.size) * question.power_factor * phases(question)
        end
      end

      def phases(question) = (question.family == "three_phase") ? SQRT3 : 1.0
    end
  end
end
