# frozen_string_literal: true

module Shared
  module Drawing
    # Pattern fills, defined once a page (layout.erb): hatching for structure, four
    # frost textures that thicken with the ice, a warning hatch.
    module Textures
      FROST = %w[frost-1 frost-2 frost-3 frost-4].freeze

      DEFINITIONS = <<~SVG
        <svg class="absolute h-0 w-0" aria-hidden="true" focusable="false"><defs>
        <pattern id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="9" class="hatch-line"/></pattern>
        <pattern id="hatch-copper" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="7" class="hatch-copper"/></pattern>
        <pattern id="hatch-bad" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="6" class="hatch-bad"/></pattern>
        <pattern id="dots" width="5" height="5" patternUnits="userSpaceOnUse"><circle cx="1.5" cy="1.5" r="0.9" class="dot-ink"/></pattern>
        <pattern id="frost-1" width="9" height="9" patternUnits="userSpaceOnUse"><circle cx="3" cy="3" r="1.2" class="frost-dot"/></pattern>
        <pattern id="frost-2" width="8" height="8" patternUnits="userSpaceOnUse"><path d="M0 4H8M4 0V8" class="frost-line"/></pattern>
        <pattern id="frost-3" width="7" height="7" patternUnits="userSpaceOnUse"><path d="M0 0L7 7M7 0L0 7" class="frost-line"/></pattern>
        <pattern id="frost-4" width="4.5" height="4.5" patternUnits="userSpaceOnUse"><path d="M0 0L4.5 4.5M4.5 0L0 4.5M0 2.25H4.5" class="frost-line"/></pattern>
        </defs></svg>
      SVG
    end
  end
end
