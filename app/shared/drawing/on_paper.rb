# frozen_string_literal: true

module Shared
  module Drawing
    # A drawing as it can be put on paper: by itself, with the style sheet's own rules for
    # day, and flat tones where a screen has patterns.
    #
    #   OnPaper.new(svg).to_s   #=> an SVG that needs no page around it
    class OnPaper
      # The paper's own font, which has every letter that a drawing may need.
      FONT = "plain"
      STYLES = File.expand_path("../../assets/styles", __dir__)
      RULE = /((?:\.[a-z][a-z0-9-]*(?:\s*,\s*)?)+)\s*\{([^{}]*)\}/
      # Only what an SVG understands.
      PROPERTIES = %w[fill stroke stroke-width stroke-dasharray stroke-linecap stroke-linejoin opacity font-size
        font-weight].freeze
      TONES = {
        "frost-1" => "#e4edef", "frost-2" => "#c9dde2", "frost-3" => "#a5c5cd", "frost-4" => "#7ba9b5",
        "hatch" => "#e3e8e3", "hatch-copper" => "#e9cdb9", "hatch-bad" => "#eec5b9", "dots" => "#c9d2cc"
      }.freeze

      # Class => its declarations, colours filled in; read once.
      def self.rules
        @rules ||= File.read(File.join(STYLES, "drawings.css")).gsub(%r{/\*.*?\*/}m, "").scan(RULE)
          .each_with_object(Hash.new { |all, name| all[name] = [] }) do |(names, body), all|
            kept = body.split(";").filter_map { |one| declaration(one) }
            names.scan(/\.([a-z][a-z0-9-]*)/) { |(name)| all[name].concat(kept) }
          end
      end

      def self.declaration(text)
        name, value = text.strip.split(/\s*:\s*/, 2)
        return nil unless PROPERTIES.include?(name) && value
        "#{name}: #{flat(value.gsub(/var\(--([a-z-]+)\)/) { colours.fetch(Regexp.last_match(1), "#14302b") })}"
      end

      # Colours by day.
      def self.colours
        @colours ||= File.read(File.join(STYLES, "tokens.css")).scan(/--([a-z-]+):\s*(#\h{3,6})\s*;/)
          .each_with_object({}) { |(name, value), all| all[name] ||= value }
      end

      def self.flat(value)
        value.gsub(/url\(#([a-z0-9-]+)\)/) { TONES.fetch(Regexp.last_match(1), "#dddddd") }
      end

      # @param svg [String] as a page has it
      def initialize(svg)
        @svg = svg
      end

      # Each element with its own style: far quicker to draw than rules to be matched.
      def to_s
        @svg.gsub(/class="([^"]*)"/) { %(style="#{style(Regexp.last_match(1))}") }
          .then { |text| OnPaper.flat(text) }
          .sub("<svg ", %(<svg xmlns="http://www.w3.org/2000/svg" font-family="#{FONT}" ))
      end

      # Width over height.
      def proportion
        _, _, width, height = @svg[/viewBox="([^"]+)"/, 1].split.map(&:to_f)
        width / height
      end

      private

      def style(names)
        names.split.flat_map { |name| OnPaper.rules.fetch(name, []) }.join("; ")
      end
    end
  end
end
