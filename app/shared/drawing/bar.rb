# frozen_string_literal: true

module Shared
  module Drawing
    # A chance as a bar; its figure stands beside it in words.
    class Bar
      def initialize(share, soft: false)
        @share = share.clamp(0, 1)
        @soft = soft
      end

      def svg
        width = (@share * 400).round(1)
        %(<svg viewBox="0 0 400 9" preserveAspectRatio="none" class="bar" aria-hidden="true" focusable="false">) +
          %(<rect x="0.5" y="0.5" width="399" height="8" class="track"/>) +
          %(<rect x="0" y="0" width="#{width}" height="9" class="#{@soft ? "fill-soft" : "fill"}"/></svg>)
      end
    end
  end
end
