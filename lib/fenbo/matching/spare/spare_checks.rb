# frozen_string_literal: true

module Fenbo
  module Matching
    # A listed part held against the old one, a line a column.
    class SpareChecks
      # @param question [SpareMatch::Question]
      # @param part [Hash] its columns
      def initialize(question, part, limits)
        @question = question
        @part = part
        @limits = limits
      end

      def lines
        @question.kind.columns.map { |name, column| line(name, column) } + [flammable, sealed].compact
      end

      # What the part cannot be held against, in the columns' words: the old one's or its own is
      # not known.
      # @return [Array<String>]
      def unknown
        @question.kind.columns.select { |name, _| @question.old[name].nil? || @part[name].nil? }
          .map { |_, column| column["ask"].downcase }
      end

      private

      def line(name, column)
        old, new = @question.old[name], @part[name]
        return open_line(name, column, old.nil? ? "the old one's" : "its") if old.nil? || new.nil?
        text = "#{column["ask"].downcase} #{shown(new, column)} for #{shown(old, column)}"
        send(column["rule"], name, column, text, old.is_a?(Numeric) ? [old.to_f, new.to_f] : [old, new])
      end

      def same(name, _column, text, (old, new))
        make(name, (old == new) ? "pass" : "fail", text)
      end

      def at_least(name, _column, text, (old, new))
        make(name, Tolerance.at_least?(new, old) ? "pass" : "fail", text)
      end

      # Within a share of the old figure either way.
      def within(name, column, text, (old, new))
        share = @limits["spares.#{column["share"]}"]
        make(name, Tolerance.at_most?((new - old).abs, old.abs * share) ? "pass" : "fail", text)
      end

      def within_kelvin(name, _column, text, (old, new))
        make(name, Tolerance.at_most?((new - old).abs, @limits["spares.kelvin"]) ? "pass" : "fail", text)
      end

      # Differs: can be made to fit, with its work.
      def alike(name, column, text, (old, new))
        return make(name, "pass", text) if old == new
        make(name, "adapt", text, work: column["work"])
      end

      def open_line(name, column, whose)
        make(name, "adapt", "#{whose} #{column["ask"].downcase}: not known, compare before buying")
      end

      # Where the refrigerant burns, only what is marked for it.
      def flammable
        return nil unless @question.flammable && @question.kind.flammable
        ok = @part["flammable_ok"] == true
        make("refrigerant", ok ? "pass" : "fail",
          ok ? "marked for flammable refrigerants" : "not marked for flammable refrigerants")
      end

      def sealed
        return nil unless @question.wet && @question.kind.wet == "sealed"
        make("wet", @part["sealed"] ? "pass" : "fail", @part["sealed"] ? "sealed" : "not sealed, and it is wet here")
      end

      def make(check, result, reason, work: nil)
        Checks::Line.new(check:, result:, reason:, work:, minutes: work ? @limits["adapt.#{work}"] : 0)
      end

      def shown(value, column)
        return value.tr("_", " ") if value.is_a?(String)
        column["quantity"] ? Quantities.show(value, column["quantity"], "si") : Quantities.tidy(value)
      end
    end
  end
end
