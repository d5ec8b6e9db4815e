# frozen_string_literal: true

require "json"

module Fenbo
  module Tools
    # The tools from a shell.
    #
    #   bin/fenbo amps reading.json      one JSON in, one JSON out
    #   bin/fenbo batch < lines.jsonl    one answer a line, going on after a bad one
    #   bin/fenbo help [TOOL]
    #
    # Exit status: 0 answered, 2 bad input or usage (errors as JSON on standard error).
    class Command
      ANSWERED = 0
      BAD_INPUT = 2

      def initialize(arguments, input: $stdin, output: $stdout, errors: $stderr)
        @name, @file, *@rest = arguments
        @input = input
        @output = output
        @errors = errors
      end

      def run
        case @name
        when nil, "help", "--help", "-h"
          help(@file)
        when "batch"
          batch
        else
          one
        end
      end

      private

      def help(name)
        return overview if name.nil?
        entry = Tools.entry(name) or return refuse("tool", unknown(name))
        @output.puts "#{entry.name}: #{entry.about}",
          "",
          JSON.pretty_generate(entry.example),
          "",
          "bin/fenbo #{entry.name} FILE.json, or the same on standard input"
        ANSWERED
      end

      def overview
        @output.puts "bin/fenbo TOOL [FILE]   one JSON in, one JSON out",
          "bin/fenbo batch [FILE]  JSON lines {\"id\", \"tool\", \"in\"}, one answer each",
          "bin/fenbo help TOOL     an example input that works",
          ""
        Tools.names.each { |name| @output.puts "  #{name.ljust(10)} #{Tools.entry(name).about}" }
        ANSWERED
      end

      def one
        return refuse("tool", unknown(@name)) unless Tools.entry(@name)
        return refuse("file", "one file at most, then nothing") if @rest.any?
        text = source or return refuse("file", "#{@file} cannot be read")
        print_answer(call(@name, parse(text)))
      rescue JSON::ParserError
        refuse("", "this is not JSON")
      rescue MissingLibrary => problem
        refuse("", problem.message)
      end

      def print_answer(answer)
        (answer.refused? ? @errors : @output).puts JSON.generate(answer.as_json)
        answer.refused? ? BAD_INPUT : ANSWERED
      end

      # Each line is answered as it comes: whoever sends them may wait for one before the next.
      def batch
        lines = @file.nil? ? @input.each_line : source&.each_line
        return refuse("file", "#{@file} cannot be read") unless lines
        lines.each do |line|
          next if line.scrub.strip.empty?
          @output.puts JSON.generate(batch_line(line))
          @output.flush
        end
        ANSWERED
      end

      def batch_line(line)
        row = parse(line)
        return not_a_line(nil, "must be an object with id, tool and in") unless row.is_a?(Hash)
        answer = call(row["tool"], row["in"])
        {id: row["id"]}.merge(answer.refused? ? answer.as_json : {out: answer.as_json})
      rescue JSON::ParserError
        not_a_line(nil, "this line is not JSON")
      end

      def not_a_line(id, message) = {id:, **Refusal.new([["", message]]).to_h}

      def call(name, raw) = Fenbo.call(name, raw)

      # NaN is let through the parser so that it is refused at its own field.
      def parse(text)
        JSON.parse(text.encode("UTF-8", invalid: :replace), allow_nan: true)
      end

      def source
        return @input.read if @file.nil?
        File.read(@file) if File.file?(@file) && File.readable?(@file)
      end

      def unknown(name)
        "“#{name}” is not known; use one of #{Tools.names.join(", ")}"
      end

      def refuse(field, message)
        @errors.puts JSON.generate(Refusal.new([[field, message]]).to_h)
        BAD_INPUT
      end
    end
  end
end
