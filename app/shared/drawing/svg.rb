# frozen_string_literal: true

module Shared
  module Drawing
    # A drawing under construction. Colour, weight and type come from classes of the
    # style sheet (docs/design.md), never from here, so that one drawing serves all
    # three appearances and paper.
    class Svg
      # Attribute names as they are written: text_anchor is text-anchor.
      NAMES = Hash.new { |known, key| known[key] = key.to_s.tr("_", "-") }
      private_constant :NAMES

      # @param role [String] "group" where something in it can be taken hold of
      def initialize(width, height, label:, css: nil, stretch: false, role: "img")
        @width = width
        @height = height
        @label = label
        @css = css
        @stretch = stretch
        @role = role
        @parts = +""
      end

      def to_s
        aspect = @stretch ? ' preserveAspectRatio="none"' : ""
        %(<svg viewBox="0 0 #{n(@width)} #{n(@height)}"#{aspect} role="#{@role}" aria-label="#{esc(@label)}") +
          %( class="#{@css}" focusable="false">#{@parts}</svg>)
      end

      def line(x1, y1, x2, y2, css, **rest)
        add("line", x1:, y1:, x2:, y2:, class: css, **rest)
      end

      def rect(x, y, width, height, css, **rest)
        add("rect", x:, y:, width: [width, 0].max, height: [height, 0].max, class: css, **rest)
      end

      def circle(cx, cy, r, css, **rest)
        add("circle", cx:, cy:, r:, class: css, **rest)
      end

      # Fins of a coil, upright and a step apart.
      def fins(x, y, high, step:, count:)
        path(Array.new(count) { |index| "M#{n(x + index * step)} #{n(y)}v#{n(high)}" }.join, "line-fin")
      end

      def path(d, css, **rest) = add("path", d:, class: css, **rest)

      def text(x, y, words, css, **rest)
        pairs("<text", {x:, y:, class: css, **rest})
        @parts << ">" << esc(words) << "</text>"
        self
      end

      # A group; what the block draws lies inside.
      def group(**attributes)
        pairs("<g", attributes)
        @parts << ">"
        yield self
        @parts << "</g>"
        self
      end

      # Point on a circle; 0° is to the right, angles run clockwise as on a screen.
      def self.polar(cx, cy, r, degrees)
        [cx + r * Math.cos(degrees * Math::PI / 180), cy + r * Math.sin(degrees * Math::PI / 180)]
      end

      # Path of an arc from one angle to another.
      def self.arc(cx, cy, r, from, to)
        x1, y1 = polar(cx, cy, r, from)
        x2, y2 = polar(cx, cy, r, to)
        "M#{p(x1, y1)} A#{r.round(2)} #{r.round(2)} 0 #{((to - from).abs > 180) ? 1 : 0} " \
        "#{(to > from) ? 1 : 0} #{p(x2, y2)}"
      end

      def self.p(x, y) = "#{x.round(2)} #{y.round(2)}"

      private

      def add(name, **attributes)
        pairs("<#{name}", attributes)
        @parts << "/>"
        self
      end

      # A page draws some hundred parts: they are written where they stay.
      def pairs(opening, attributes)
        @parts << opening
        attributes.each do |key, value|
          next if value.nil?
          @parts << " " << NAMES[key] << "=\"" << (value.is_a?(Numeric) ? n(value).to_s : esc(value)) << "\""
        end
      end

      def n(value) = value.is_a?(Float) ? value.round(2) : value

      def esc(text) = Rack::Utils.escape_html(text.to_s)
    end
  end
end
