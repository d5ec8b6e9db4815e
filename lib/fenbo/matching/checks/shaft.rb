# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The shaft in the hub's bore: the blade's where it is known, else the old
      # shaft's.
      class Shaft < Check
        def line
          return pass("it brings its own blade") if candidate.brings_blade?
          return unknown("shaft or bore") unless bore && candidate.shaft_diameter_mm
          off = candidate.shaft_diameter_mm - bore
          text = "#{figure(candidate.shaft_diameter_mm)} mm shaft in a #{figure(bore)} mm bore"
          return form(text) if Tolerance.at_most?(off.abs, limits["match.shaft_tolerance"])
          return fail("#{text}: too thick") if off.positive?
          bushed(text)
        end

        # Thicker than the bore, or, where it is known what can be had, thinner by a step that
        # no bushing makes up for.
        def narrowing
          return nil unless bore
          off = limits["match.shaft_tolerance"]
          wrong = beyond(:shaft_diameter_mm, high: bore + off)
          wrong |= unbushed(off) if @context.accessories
          wrong & !one_of(:integral_blade, true) & bare
        end

        private

        def bore = @context.blade&.fetch(:bore_mm, nil) || old.shaft_diameter_mm

        def unbushed(off)
          steps = @context.accessories.select { |part| part.kind == "bushing" && part.fits_bore?(bore, off) }
          steps
            .map { |part| beyond(:shaft_diameter_mm, low: part.from_mm - off, high: part.from_mm + off) }
            .reduce(beyond(:shaft_diameter_mm, low: bore - off)) { |all, one| all & one }
        end

        # Where it is known what can be had, only a listed bushing counts.
        def bushed(text)
          unless @context.accessories
            return (
              adapt(
                "#{text}: with a bushing",
                work: "bushing",
                part: "bushing #{figure(candidate.shaft_diameter_mm)} to #{figure(bore)} mm"
              )
            )
          end
          one =
            @context.accessories.find do |part|
              part.bushes?(candidate.shaft_diameter_mm, bore, limits["match.shaft_tolerance"])
            end
          if one
            adapt("#{text}: with bushing #{one.part_no}", work: "bushing", part: "bushing #{one.part_no}")
          else
            fail("#{text}: no bushing of that step is listed")
          end
        end

        # What the hub grips, where its kind is known; else only the old shaft's form.
        def form(text)
          return pass(text) if candidate.shaft_form.nil? || candidate.shaft_form == old.shaft_form
          return gripped(text) if hub
          if old.shaft_form
            fail("#{words(candidate.shaft_form)} shaft, the hub wants #{words(old.shaft_form)}")
          else
            pass(text)
          end
        end

        def gripped(text)
          what = "#{words(candidate.shaft_form)} shaft"
          if hub["forms"].include?(candidate.shaft_form)
            pass("#{text}, #{what} in a #{hub["label"]} hub")
          else
            fail("#{what}, a #{hub["label"]} hub wants #{hub["forms"].map { |one| words(one) }.join(" or ")}")
          end
        end

        def hub = Knowledge.table("hubs")[@context.blade&.fetch(:kind, nil)]

        def words(form) = form.tr("_", " ")
      end
    end
  end
end
