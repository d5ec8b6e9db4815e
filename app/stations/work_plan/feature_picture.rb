# frozen_string_literal: true

module Stations
  module WorkPlan
    # A small drawing of each way a unit can be, so that it is recognised and not read:
    # the thick outline of what is there, and the fine line of what holds it.
    module FeaturePicture
      HUB = "M4 20 H60 M22 8 h20 v24 h-20 Z"
      MOTOR = "M20 8 h26 v24 h-26 Z M20 20 H10"
      BAY = "M8 6 h48 v28 h-48 Z"
      BOX = "M14 4 h36 v32 h-36 Z"

      # choice => [outline, what holds or marks it]
      DRAWN = {
        "set_screw" => [HUB, "M29 8 v-6 h6 v6 M32 8 v9"],
        "nut" => [HUB, "M42 12 h8 v16 h-8 Z M42 20 h8"],
        "nut_on" => [HUB, "M42 12 h8 v16 h-8 Z M42 20 h8"],
        "push_on" => [HUB, "M24 14 h16 M24 26 h16 M52 14 l-6 6 l6 6"],
        "ring" => [MOTOR, "M33 20 m-16 0 a16 16 0 1 0 32 0 a16 16 0 1 0 -32 0"],
        "rail" => [MOTOR, "M10 35 h44 M24 32 v3 M42 32 v3"],
        "belly_band" => [MOTOR, "M28 5 h10 v30 h-10 Z M38 8 h8"],
        "stud" => [MOTOR, "M46 11 h10 M46 20 h10 M46 29 h10"],
        "base" => [MOTOR, "M16 32 h34 v4 h-34 Z M20 36 v2 M46 36 v2"],
        "guard" => ["M32 20 m-16 0 a16 16 0 1 0 32 0 a16 16 0 1 0 -32 0",
          "M32 20 m-8 0 a8 8 0 1 0 16 0 a8 8 0 1 0 -16 0 M16 20 h32 M32 4 v32"],
        "bracket" => [MOTOR, "M46 12 h8 v20 M46 28 h8"],
        "connector" => ["M6 12 h20 v16 h-20 Z M38 12 h20 v16 h-20 Z", "M26 16 h8 M26 24 h8"],
        "splice" => ["M4 14 h18 M4 26 h18 M42 14 h18 M42 26 h18", "M22 11 h20 v6 h-20 Z M22 23 h20 v6 h-20 Z"],
        "rings" => ["M24 6 h16 l8 30 h-32 Z", "M20 14 h24 M18 24 h28"],
        "clips" => ["M24 6 h16 l8 30 h-32 Z", "M14 18 l8 2 l-8 4 M50 18 l-8 2 l8 4"],
        "twist_bracket" => [MOTOR, "M52 10 a14 14 0 1 1 -2 20 m0 0 l-2 -6 m2 6 l6 0"],
        "clip_bracket" => [MOTOR, "M46 10 h8 v6 h-4 M46 30 h8 v-6 h-4"],
        "rear_panel" => [BOX, "M18 22 h28 v12 h-28 Z M22 26 h4 M38 26 h4"],
        "base_grille" => [BOX, "M14 30 h36 M20 30 v6 M26 30 v6 M32 30 v6 M38 30 v6 M44 30 v6"],
        "screws_to_arms" => [BAY,
          "M32 20 L14 10 M32 20 L50 10 M32 20 L14 30 M32 20 L50 30 M12 8 h4 v4 h-4 Z M48 8 h4 v4 h-4 Z"],
        "tilting_bracket" => [BAY, "M18 30 L40 12 M16 28 h4 v4 h-4 Z M44 10 a10 10 0 0 1 2 12"],
        "shroud_with_tab" => [BAY, "M32 20 m-9 0 a9 9 0 1 0 18 0 a9 9 0 1 0 -18 0 M26 34 v4 h12 v-4"],
        "pinned_bracket" => [BAY, "M16 14 h32 v12 h-32 Z M20 14 v-6 M44 14 v-6"],
        "end_bracket" => [BAY, "M44 10 h8 v20 h-8 Z M14 8 q10 6 0 12 q-6 6 4 12"],
        "clipped_housing" => [BAY, "M18 12 h28 v16 h-28 Z M14 16 h4 v8 h-4 Z M46 16 h4 v8 h-4 Z"],
        "tied_bracket" => [BAY, "M16 12 h26 v10 h-26 Z M50 6 v28 M42 18 q6 -4 8 0 q-2 4 -8 0"]
      }.freeze

      module_function

      # @return [String] nothing where a choice has no drawing
      def svg(choice)
        outline, held = DRAWN[choice] || (return "")
        drawing = Shared::Drawing::Svg.new(64, 40, label: choice.tr("_", " "), css: "feature")
        drawing.path(outline, "feature-thing").path(held, "feature-held").to_s
      end
    end
  end
end
