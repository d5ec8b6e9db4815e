# frozen_string_literal: true

module Shared
  module Drawing
    # Pattern fills, defined once a page (layout.erb): hatching for structure, four
    # frost textures that thicken with the ice, a warning hatch.
    module Textures
      FROST = %w[frost-1 frost-2 frost-3 frost-4].freeze

      # A line down the middle of a turned tile, at so many units from the next.
      hatch = ->(size, css) { [size, %(<line x1="0" y1="0" x2="0" y2="#{size}" class="#{css}"/>), 45] }
      dots = ->(size, at, radius, css) { [size, %(<circle cx="#{at}" cy="#{at}" r="#{radius}" class="#{css}"/>)] }
      grid = ->(size, lines) { [size, %(<path d="#{lines}" class="frost-line"/>)] }

      PATTERNS = {
        "hatch" => hatch[9, "hatch-line"],
        "hatch-copper" => hatch[7, "hatch-copper"],
        "hatch-bad" => hatch[6, "hatch-bad"],
        "dots" => dots[5, 1.5, 0.9, "dot-ink"],
        "frost-1" => dots[9, 3, 1.2, "frost-dot"],
        "frost-2" => grid[8, "M0 4H8M4 0V8"],
        "frost-3" => grid[7, "M0 0L7 7M7 0L0 7"],
        "frost-4" => grid[4.5, "M0 0L4.5 4.5M4.5 0L0 4.5M0 2.25H4.5"]
      }.map { |id, (size, tile, turned)|
        turn = %( patternTransform="rotate(#{turned})") if turned
        %(<pattern id="#{id}" width="#{size}" height="#{size}" patternUnits="userSpaceOnUse"#{turn}>#{tile}</pattern>)
      }.join("\n").freeze
      private_constant :PATTERNS

      DEFINITIONS = <<~SVG.freeze
        <svg class="absolute h-0 w-0" aria-hidden="true" focusable="false"><defs>
        #{PATTERNS}
        </defs></svg>
      SVG
    end
  end
end
