# frozen_string_literal: true

module Shared
  module Drawing
    # The windings of a motor as they are joined, the open or short part lit: a star or
    # a delta for three-phase, run and start on one common for PSC, one coil else.
    class Winding
      WIDTH = 380
      HEIGHT = 230

      # @param kind [String] as `windings` takes it
      # @param result [Fenbo::Answer, nil] what it said
      # @param ohms [Hash] as typed
      def initialize(kind:, result: nil, ohms: {}, open: [])
        @kind = kind
        @result = result
        @ohms = ohms
        @open = open
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        send(
          if @kind == "three_phase"
            delta? ? :delta : :star
          else
            @kind.to_sym
          end
        )
        ground if @result&.verdict == "grounded"
        @svg.to_s
      end

      private

      def words
        "Windings of a #{@kind.tr("_", " ")} motor#{": #{@result.verdict.tr("_", " ")}" if @result}"
      end

      def faulty = @result&.faulty_pairs || []

      # Ground hides what the pairs say; the picture shows both.
      def verdict
        (@result&.verdict == "grounded" && @open.any?) ? "open_winding" : @result&.verdict
      end

      # A pair about double the others: it can only be a delta.
      def delta? = verdict == "open_winding" && faulty.size == 1 && @open.empty?

      # Which single winding the pairs point at: the corner two open pairs share, or
      # both ends of a low pair.
      def lit?(name)
        case verdict
        when "open_winding"
          (faulty.size == 2) ? faulty.all? { |pair| pair.include?(name) } : faulty.any? { |pair| pair.include?(name) }
        when "shorted_turns"
          faulty.first.to_s.include?(name)
        when "open_protector", "unbalanced"
          true
        end
      end

      POINTS = {"a" => [190, 26], "b" => [70, 196], "c" => [310, 196]}.freeze
      STAR = [190, 138].freeze

      def star
        POINTS.each { |name, point| coil(STAR, point, lit?(name)) }
        @svg.circle(*STAR, 5, "fill-ink")
        POINTS.each { |name, (x, y)| terminal(x, y, name.upcase) }
        pair_words
      end

      def delta
        %w[ab bc ca].each { |pair| coil(POINTS[pair[0]], POINTS[pair[1]], faulty.include?(pair)) }
        POINTS.each { |name, (x, y)| terminal(x, y, name.upcase) }
        pair_words
      end

      def psc
        top, r, s, c = [190, 40], [70, 190], [310, 190], [190, 14]
        protector = verdict == "open_protector"
        coil(top, r, psc_lit?("cr", "rs"))
        coil(top, s, psc_lit?("cs", "rs"))
        @svg.line(*top, *c, protector ? "coil-bad" : "coil-lead")
        @svg.text(204, 36, "protector", protector ? "leg-figure leg-figure-bad" : "axis-words")
        terminal(190, 12, "C")
        terminal(70, 190, "R", "run")
        terminal(310, 190, "S", "start")
        figure(92, 100, "cr")
        figure(292, 100, "cs")
        figure(190, 200, "rs")
      end

      def psc_lit?(*pairs)
        (verdict == "open_winding" && (faulty & pairs).size == 2) ||
          (verdict == "shorted_turns" && faulty.include?(pairs.first))
      end

      def shaded_pole
        coil([80, 110], [300, 110], %w[open_winding shorted_turns].include?(verdict))
        terminal(80, 110, "A")
        terminal(300, 110, "B")
        figure(190, 160, "ab")
      end

      # Six loops along the way; broken in the middle where it is open.
      def coil((x1, y1), (x2, y2), bad)
        dx, dy = x2 - x1, y2 - y1
        length = Math.hypot(dx, dy)
        ux, uy = dx / length, dy / length
        loops = 6
        from, to = length * 0.24, length * 0.82
        step = (to - from) / loops
        css = bad ? "coil-bad" : "coil"
        at = ->(along) { [x1 + ux * along, y1 + uy * along] }
        @svg.path("M#{Svg.p(x1, y1)} L#{Svg.p(*at[from])}", bad ? "coil-bad" : "coil-lead").path(
          "M#{Svg.p(*at[to])} L#{Svg.p(x2, y2)}",
          bad ? "coil-bad" : "coil-lead"
        )
        loops.times do |index|
          next if bad && verdict.to_s.start_with?("open") && [2, 3].include?(index)
          a, b = at[from + step * index], at[from + step * (index + 1)]
          @svg.path(
            "M#{Svg.p(*a)} A#{(step / 2).round(2)} #{(step / 1.6).round(2)} " \
              "#{(Math.atan2(uy, ux) * 180 / Math::PI).round(1)} 0 1 #{Svg.p(*b)}",
            css
          )
        end
      end

      def terminal(x, y, name, words = nil)
        @svg.circle(x, y, 12, "terminal").text(x, y + 5, name, "leg-name", text_anchor: "middle")
        @svg.text(x, y + 30, words, "axis-words", text_anchor: "middle") if words
      end

      def pair_words
        figure(106, 96, "ab")
        figure(274, 96, "ca")
        figure(190, 216, "bc")
      end

      def figure(x, y, pair)
        text = @open.include?(pair) ? "open" : (@ohms[pair] && "#{Fenbo::Quantities.tidy(@ohms[pair])} Ω")
        if text
          @svg.text(
            x,
            y,
            text,
            faulty.include?(pair) ? "leg-figure leg-figure-bad" : "leg-figure",
            text_anchor: "middle"
          )
        end
      end

      def ground
        @svg.path("M340 40 v22 M326 62 h28 M331 68 h18 M336 74 h8", "coil-bad")
        @svg.text(340, 94, "ground", "leg-figure leg-figure-bad", text_anchor: "middle")
      end
    end
  end
end
