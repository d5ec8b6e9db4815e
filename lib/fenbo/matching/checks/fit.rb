# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Does its shaft's length let the blade sit clear of motor, guard and orifice?
      # Asked only where the place was measured.
      class Fit < Check
        def line
          return nil unless @context.fit
          return adapt("its own blade: measure it in its opening before it goes in") if candidate.brings_blade?
          return unknown("the length of its shaft") unless candidate.shaft_length_mm
          result = @context.fit.with(candidate.shaft_length_mm)
          text = result.reasons.first.text
          text += ": too close to call, measure again" if result[:close].any?
          case result.verdict
          when "fits" then pass(text)
          when "fits_with_spacers" then adapt(text, work: "spacers", part: "#{result[:spacers]} spacers")
          else fail(text)
          end
        end
      end
    end
  end
end
