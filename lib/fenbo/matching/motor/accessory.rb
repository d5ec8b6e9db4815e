# frozen_string_literal: true

module Fenbo
  module Matching
    # A bushing (shaft from_mm in a bore of to_mm) or a bracket (a motor of mount_from where
    # mount_to was), as listed.
    Accessory =
      Value.of(:part_no, :kind, :from_mm, :to_mm, :mount_from, :mount_to, :bolt_circle_mm) do
        define_singleton_method(:read) do |input|
          new(
            **%i[part_no kind mount_from mount_to].to_h do |key|
              [key, input.text(key.to_s, required: key == :kind, longest: 200)]
            end,
            **%i[from_mm to_mm bolt_circle_mm].to_h do |key|
              [key, input.number(key.to_s, required: false, above: 0, at_most: 10_000)]
            end
          )
        end

        def bushes?(shaft_mm, bore_mm, tolerance)
          kind == "bushing" && fits_bore?(bore_mm, tolerance) && Tolerance.at_most?((from_mm - shaft_mm).abs, tolerance)
        end

        def fits_bore?(bore_mm, tolerance)
          from_mm && to_mm && Tolerance.at_most?((to_mm - bore_mm).abs, tolerance)
        end

        def carries?(motor_mount, place_mount)
          %w[bracket adapter].include?(kind) && mount_from == motor_mount && mount_to == place_mount
        end
      end
  end
end
