# frozen_string_literal: true

module Shared
  module Drawing
    # Small signs of our own, on a 24 grid; they never stand without a word.
    class Icon
      PATHS = {
        "check" => "M5 13 L10 18 L19 6",
        "gauge" => "M4 17 A8 8 0 1 1 20 17 M12 15 L16 9",
        "lock" => "M6 11 H18 V20 H6 Z M9 11 V8 A3 3 0 0 1 15 8 V11",
        "camera" => "M4 8 H8 L10 5 H14 L16 8 H20 V19 H4 Z M12 16.5 A3.2 3.2 0 1 0 12 10 A3.2 3.2 0 0 0 12 16.5",
        "undo" => "M8 7 L4 11 L8 15 M4 11 H15 A5 5 0 0 1 15 20 H11",
        "warn" => "M12 4 L21 20 H3 Z M12 10 V14.5 M12 17.2 V17.6",
        "next" => "M5 12 H18 M13 6.5 L18.5 12 L13 17.5"
      }.freeze

      def initialize(name, css: "icon")
        @name = name
        @css = css
      end

      def svg
        %(<svg viewBox="0 0 24 24" class="#{@css}" aria-hidden="true" focusable="false">) +
          %(<path d="#{PATHS.fetch(@name)}"/></svg>)
      end
    end
  end
end
