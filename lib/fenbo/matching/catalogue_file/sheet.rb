# frozen_string_literal: true

module Fenbo
  module Matching
    # One kind of catalogue file: its columns, and how a row of cells becomes a part or a
    # list of what is wrong with it, column by column. A figure that is far off is named
    # with what it looks like: 0.25 in a column of millimetres is inches.
    #
    #   sheet = Sheet.of("motors")
    #   sheet.read({"part_no" => "A", "maker" => "B", "family" => "psc", "amps" => "0.85;0.42"})
    #   #=> [{"part_no" => "A", …}, []]
    class Sheet
      NUMBER = /\A[-+]?(?:\d+(?:\.\d+)?|\.\d+)(?:e[-+]?\d{1,2})?\z/i
      # A comma before any but three figures, which could be thousands.
      DECIMAL_COMMA = /\A([-+]?\d+),(\d{1,2}|\d{4,})\z/
      FLAGS = {"1" => true, "0" => false, "true" => true, "false" => false, "yes" => true, "no" => false}.freeze
      INCH = 25.4

      def self.of(kind, limits: Limits.default)
        new(kind, Knowledge.table("catalogue").fetch(kind), limits)
      end

      def self.kinds = Knowledge.table("catalogue").keys

      # The kind whose columns a header names best; nil where it names none.
      def self.kind_of(header)
        kinds
          .map { |kind| [kind, (Knowledge.table("catalogue")[kind].keys & header).size] }
          .max_by(&:last)
          .then { |kind, count| kind if count >= 3 }
      end

      attr_reader :kind, :columns

      # How a column's cells are read, settled once for files of a hundred thousand rows.
      Reader = Value.of(:name, :column, :read, :empty)

      # @param limits [Limits] by which a row has to agree with itself
      def initialize(kind, columns, limits)
        @kind = kind
        @limits = limits
        @columns = columns
        @readers =
          columns.map do |name, column|
            Reader.new(
              name:,
              column:,
              read: :"read_#{column["type"]}",
              empty: (%w[numbers texts].include?(column["type"]) ? [].freeze : nil)
            )
          end
      end

      def needed = columns.select { |_, column| column["needed"] }.keys

      # @param row [Hash] cells by column, as text; unknown columns are left alone
      # @return [Array(Hash, Array)] values by column, and faults as [column, sentence]
      def read(row)
        faults = []
        values = {}
        @readers.each { |reader| values[reader.name] = cell(reader, row[reader.name], faults) }
        across(values, faults) if faults.empty?
        [values, faults]
      end

      # A part as cells, so that reading them gives it back.
      def write(values)
        columns.map { |name, column| SafeCell.out(written(column, values[name])) }
      end

      private

      def cell(reader, text, faults)
        text = SafeCell.back(text&.strip)
        return send(reader.read, reader.name, reader.column, text, faults) unless text.nil? || text.empty?
        faults << [reader.name, "is missing"] if reader.column["needed"]
        reader.empty
      end

      def read_text(name, column, text, faults)
        return text if text.size <= column["longest"]
        faults << [name, "is longer than #{column["longest"]} characters"]
        nil
      end

      def read_texts(name, column, text, faults)
        text.split(";").map(&:strip).reject(&:empty?).filter_map { |one| read_text(name, column, one, faults) }
      end

      def read_numbers(name, column, text, faults)
        return [read_number(name, column, text, faults)].compact unless text.include?(";")
        text.split(";").filter_map { |one| read_number(name, column, one.strip, faults) }
      end

      def read_number(name, column, text, faults)
        text = text.sub(DECIMAL_COMMA, '\1.\2') if text.include?(",")
        unless text.match?(NUMBER)
          return (
            faults.push(
              [name, "“#{text[0, 30]}” is not a number#{": write the point as “.”" if text.match?(/\A-?\d+,\d+\z/)}"]
            ) && nil
          )
        end
        value = text.to_f
        side =
          if column["low"] && value < column["low"]
            "low"
          else
            ((column["high"] && value > column["high"]) ? "high" : nil)
          end
        return value unless side
        faults << [name, implausible(column, value, side)]
        nil
      end

      def read_whole(name, column, text, faults)
        value = read_number(name, column, text, faults) or return nil
        return value.to_i if value == value.floor && !text.match?(/[.,]/)
        faults << [name, "#{text} is not whole#{": cents, not #{text} of the currency" if name.end_with?("_cents")}"]
        nil
      end

      def read_flag(name, _column, text, faults)
        FLAGS.fetch(text.downcase) { faults.push([name, "“#{text[0, 30]}” is neither 0 nor 1"]) && nil }
      end

      def read_choice(name, column, text, faults)
        found = column["choices"].find { |one| one == text.downcase.tr(" -", "__") }
        faults << [name, "“#{text[0, 30]}” is none of #{column["choices"].join(", ")}"] unless found
        found
      end

      def implausible(column, value, side)
        guess = column.dig("looks_like", side)
        bound = "#{(side == "low") ? "at least" : "at most"} #{Quantities.tidy(column[side])}"
        text = "#{Quantities.tidy(value)} cannot be right, it is #{bound}"
        return text unless guess
        if guess == "inches"
          "#{text}: it looks like inches, #{Quantities.tidy((value * INCH).round(2))} mm"
        else
          "#{text}: it looks like #{guess}"
        end
      end

      # What no cell shows alone.
      def across(values, faults)
        low, high = values.values_at("ambient_low_c", "ambient_high_c")
        faults << ["ambient_high_c", "is not above ambient_low_c"] if low && high && low >= high
        if values["superseded_by"] && values["superseded_by"] == values["part_no"]
          faults << ["superseded_by", "is the part itself"]
        end
        if values["from_mm"] && values["to_mm"] && values["from_mm"] >= values["to_mm"]
          faults << ["to_mm", "is not above from_mm"]
        end
        return unless kind == "motors"
        # The catalogue keeps one view; a plate that contradicts itself has a wrong unit somewhere.
        values["rotation"] = Rotation.canonical(values["rotation"], values["rotation_view"])
        values["rotation_view"] = nil
        Coherence.new(values, @limits).clashes.each { |clash| faults << [clash.fields.first, clash.text] }
      end

      def written(column, value)
        case column["type"]
        when "numbers"
          (value || []).map { |one| number(one) }.join(";")
        when "texts"
          (value || []).join(";")
        when "flag"
          if value.nil?
            nil
          else
            (value ? "1" : "0")
          end
        when "number", "whole"
          value && number(value)
        else
          value
        end
      end

      def number(value) = (value == value.to_i) ? value.to_i.to_s : value.to_s
    end
  end
end
