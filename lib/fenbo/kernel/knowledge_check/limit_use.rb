# frozen_string_literal: true

require "ripper"

module Fenbo
  class KnowledgeCheck
    # Proves that the limits limit: each is read by name in some Ruby file, and no
    # file repeats a default as a literal of its own, where a shop's figure would
    # not reach it.
    class LimitUse
      # A figure of so many decimals (0.00393) is nobody's by chance, wherever it stands.
      TELLING_DECIMALS = 4

      # sources: {file name => Ruby text}; entries: limits by name, as Limits.entries
      def initialize(sources, entries = Limits.entries)
        @sources = sources
        @entries = entries
      end

      def self.of_the_house(root)
        files = Dir[File.join(root, "{lib/fenbo,app}", "**", "*.rb")]
        new(files.to_h { |file| [file.delete_prefix("#{root}/"), File.read(file)] })
      end

      # Answers sentences, none when all holds.
      def faults
        unread.map { |name| "limits.yml #{name}: no Ruby file reads it" } + repeated
      end

      private

      # A name is read in full, or its group with the last word filled in.
      def unread
        @entries.keys.reject do |name|
          group = name.split(".").first
          @sources.values.any? { |text| text.include?("\"#{name}\"") || text.include?("\"#{group}.\#{") }
        end
      end

      def repeated
        @sources.flat_map do |file, text|
          figures(text).filter_map do |line, figure|
            name = same(figure, text) and "#{file}:#{line}: #{figure} repeats the default of #{name}"
          end
        end
      end

      def figures(text)
        Ripper.lex(text).filter_map { |(line, _), type, token| [line, token] if type == :on_float }
      end

      def same(figure, text)
        @entries.keys.find do |name|
          next unless (@entries[name]["value"] - figure.to_f).zero?
          decimals(figure) >= TELLING_DECIMALS || (plain?(figure) && text.include?("\"#{name.split(".").first}."))
        end
      end

      def digits(figure) = figure.delete("._").sub(/\A0+/, "").length

      def decimals(figure) = figure.split(".").last.length

      # Halves, tenths and wholes are everybody's.
      def plain?(figure) = digits(figure) >= 2 && !figure.end_with?(".0")
    end
  end
end
