# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The same mount on the same bolts; a kit brings its own plate.
      class Mount < Check
        def line
          return unknown("the mount") unless old.mount && candidate.mount
          (candidate.mount == old.mount) ? same_mount : carried("#{words(candidate)} for #{words(old)}")
        end

        # On its own mount and circle, on a bracket that is listed, or by a kit's plate.
        def narrowing
          return nil unless old.mount
          carried = borne
          elsewhere = !one_of(:mount, old.mount, *carried)
          return elsewhere & bare if old.bolt_circle_mm.nil? || carried.include?(old.mount)
          (elsewhere | one_of(:mount, old.mount) & another_circle) & bare
        end

        private

        # Mounts of motors that a listed part carries here.
        def borne
          (@context.accessories || []).select { |part| part.carries?(part.mount_from, old.mount) }.map(&:mount_from)
        end

        def another_circle
          off = limits["match.bolt_circle_tolerance"]
          beyond(:bolt_circle_mm, low: old.bolt_circle_mm - off, high: old.bolt_circle_mm + off)
        end

        # On the kit's plate, else on a listed bracket, else not at all.
        def carried(text)
          if candidate.kit_with?(:plate)
            return (
              adapt(
                "#{text}: the kit brings its plate",
                work: unless_kit_says("plate"),
                part: "plate from the kit"
              )
            )
          end
          one = bracket
          if one
            adapt(
              "#{text}: on #{one.kind} #{one.part_no}",
              work: "bracket",
              part: "#{one.kind} #{one.part_no}"
            )
          else
            fail(text)
          end
        end

        def bracket
          (@context.accessories || []).find do |part|
            part.carries?(candidate.mount, old.mount) &&
              (
                part.bolt_circle_mm.nil? || old.bolt_circle_mm.nil? ||
                  Tolerance.at_most?((part.bolt_circle_mm - old.bolt_circle_mm).abs,
                    limits["match.bolt_circle_tolerance"])
              )
          end
        end

        def same_mount
          return pass("#{words(candidate)}, as the old one") unless old.bolt_circle_mm && candidate.bolt_circle_mm
          off = (candidate.bolt_circle_mm - old.bolt_circle_mm).abs
          text =
            "#{words(candidate)}, bolt circle #{figure(candidate.bolt_circle_mm)} for #{figure(old.bolt_circle_mm)} mm"
          Tolerance.at_most?(off, limits["match.bolt_circle_tolerance"]) ? pass(text) : carried(text)
        end

        def words(motor) = motor.mount.tr("_", " ")
      end
    end
  end
end
