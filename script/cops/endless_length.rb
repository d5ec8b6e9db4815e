# frozen_string_literal: true

module RuboCop
  module Cop
    module Fenbo
      # An endless method reads well while it is short; beyond 80 columns it gets an end.
      class EndlessLength < Base
        extend AutoCorrector

        MOST = 80
        MSG = "An endless method of more than #{MOST} columns: write it with an end."

        def on_def(node)
          return unless node.loc.end.nil?
          line = node.source_range.source_buffer.source_line(node.first_line)
          return unless line.size > MOST || node.first_line != node.last_line
          add_offense(node) { |corrector| corrector.replace(node, with_end(node)) }
        end
        alias_method :on_defs, :on_def

        private

        def with_end(node)
          indent = " " * node.loc.column
          head = node.source[0...(node.loc.assignment.begin_pos - node.source_range.begin_pos)].rstrip
          first, *rest = node.body.source.lines
          body = "  #{first}#{rest.map { |line| line.strip.empty? ? line : "  #{line}" }.join}"
          "#{head}\n#{indent}#{body}\n#{indent}end"
        end
      end
    end
  end
end
