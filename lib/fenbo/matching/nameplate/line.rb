# frozen_string_literal: true

module Fenbo
  module Matching
    class Nameplate < Tool
      # The line cut into phrases, in the order they stand; what no pattern and no word
      # wanted is left over and shown.
      class Line
        # Stands where something was read, so that neighbours never join across it.
        TAKEN = "\u0000"
        SPEED_COMMA =
          %r{(?<=\b[1-9]),(?=\d{3}\s*(?:RPM|R/MIN|MIN-1|1/MIN|/MIN))|(?<=RPM\s[1-9]|RPM:[1-9]|RPM:\s[1-9]),(?=\d{3}\b)}i
        SAME = {
          "µ" => "U",
          "μ" => "U",
          "Φ" => "Ø",
          "φ" => "Ø",
          "ø" => "Ø",
          "–" => "-",
          "−" => "-",
          "″" => '"',
          "“" => '"',
          "”" => '"'
        }.freeze

        def initialize(text, limits)
          @meanings = Meanings.new(limits)
          @given = plain(text)
          @rest = @given.gsub(/[#{SAME.keys.join}]/, SAME).upcase
          @given = @rest unless @rest.size == @given.size
        end

        # Words with figures in them first: "0-10 V" is no supply.
        def phrases
          @phrases ||=
            (words(/\d/) + figures(Figures::FIRST) + figures(order) + figures(Figures::LAST) + words(//)).sort_by(&:at)
        end

        def unread
          phrases
          @rest.tr(TAKEN, " ").scan(%r{[^\s,.:()/~-][^\s,;()]*}).map { |word| word.delete_suffix(".") }.reject(&:empty?)
        end

        private

        # A comma between digits is a decimal point, but in a speed it parts thousands;
        # elsewhere it parts. Fractions are written out.
        def plain(text)
          text
            .gsub(SPEED_COMMA, "")
            .gsub(/(?<=\d),(?=\d)/, ".")
            .tr(";|", "  ")
            .gsub(/(?<=\d)(?=[¼-¾⅐-⅞])/, " ")
            .gsub(/[¼-¾⅐-⅞]/) { |one| one.unicode_normalize(:nfkd) }
            .tr("⁄", "/")
        end

        # Which way round this plate pairs figures and units: the one that reads more of it
        # as figures a motor can have.
        def order
          Figures::ORDERS.max_by.with_index { |patterns, index| [Fairness.of(tried(patterns)), -index] }
        end

        # What these would give, with nothing taken.
        def tried(patterns)
          kept = @rest.dup
          figures(patterns).map(&:gives).reduce({}) { |all, one| one.merge(all) }
        ensure
          @rest = kept
        end

        # Each kind once.
        def figures(patterns)
          seen = []
          patterns.filter_map do |kind, pattern|
            next if seen.include?(kind)
            match = pattern.match(@rest) or next
            seen << kind
            gives, means = @meanings.public_send(kind, match)
            take(match.begin(0), match.end(0), gives, means)
          end
        end

        def words(like)
          table = Knowledge.table("nameplate")["words"]
          table
            .keys
            .grep(like)
            .sort_by { |word| -word.size }
            .filter_map do |word|
              at = @rest.index(/(?<![A-Z0-9])#{Regexp.escape(word)}(?![A-Z0-9])/) or next
              take(at, at + word.size, table[word].fetch("sets", {}), table[word]["means"])
            end
        end

        def take(from, to, gives, means)
          phrase = Phrase.new(text: @given[from...to].strip, at: from, gives:, means:)
          @rest[from...to] = TAKEN * (to - from)
          phrase
        end
      end
    end
  end
end
