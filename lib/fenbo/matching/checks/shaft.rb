# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The shaft in the hub's bore: the blade's where it is known, else the old
      # shaft's.
      class Shaft < Check
        def line
          return pass("it brings its own blade") if candidate.brings_blade?
          bore = @context.blade&.fetch(:bore_mm, nil) || old.shaft_diameter_mm
          return unknown("shaft or bore") unless bore && candidate.shaft_diameter_mm
          off = candidate.shaft_diameter_mm - bore
          text = "#{figure(candidate.shaft_diameter_mm)} mm shaft in a #{figure(bore)} mm bore"
          return form(text) if off.abs <= limits["match.shaft_tolerance"] + 1e-9
          return fail("#{text}: too thick") if off.positive?
          bushed(text, bore)
        end

        private

        # Where it is known what can be had, only a listed bushing counts.
        def bushed(text, bore)
          return adapt("#{text}: with a bushing", minutes: 5, part: "bushing #{figure(candidate.shaft_diameter_mm)} to #{figure(bore)} mm") unless @context.accessories
          one = @context.accessories.find { |part| part.bushes?(candidate.shaft_diameter_mm, bore, limits["match.shaft_tolerance"] + 1e-9) }
          one ? adapt("#{text}: with bushing #{one.part_no}", minutes: 5, part: "bushing #{one.part_no}") : fail("#{text}: no bushing of that step is listed")
        end

        def form(text)
          return pass(text) if [nil, old.shaft_form].include?(candidate.shaft_form) || old.shaft_form.nil?
          fail("#{candidate.shaft_form.tr("_", " ")} shaft, the hub wants #{old.shaft_form.tr("_", " ")}")
        end
      end
    end
  end
end
