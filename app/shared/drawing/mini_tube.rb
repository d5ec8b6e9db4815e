# frozen_string_literal: true

module Shared
  module Drawing
    # The nine stations in the space of a word: how far a job has come.
    class MiniTube
      DRAWN = Concurrent::Map.new
      private_constant :DRAWN

      def initialize(job)
        @at = Fenbo::JobFile::STATIONS.index(job.station)
        @name = Words::STATIONS[job.station]
      end

      # The same for every job at a station, and there are many on a page.
      def svg = DRAWN.compute_if_absent(@at) { drawn }

      private

      def drawn
        svg = Svg.new(124, 14, label: "At station #{@at + 1} of 9, #{@name}", css: "mini")
        svg.line(3, 7, 3 + @at * 14, 7, "mini-tube").line(3 + @at * 14, 7, 118, 7, "mini-rest")
        Fenbo::JobFile::STATIONS.each_index { |index| svg.rect(1 + index * 14, 2, 6, 10, css(index), rx: 1.5) }
        svg.to_s
      end

      def css(index)
        return "mini-now" if index == @at
        (index < @at) ? "mini-done" : "mini-todo"
      end
    end
  end
end
