# frozen_string_literal: true

module Shared
  # A signature as it was drawn: strokes of points, each from 0 to 1 across and down its field,
  # [[[x, y], …], …].
  module Strokes
    MOST_STROKES = 200
    MOST_POINTS = 6000

    module_function

    # @param text [String] JSON
    # @return [Array, nil] nil where it is no drawing
    def read(text)
      strokes = JSON.parse(text)
      return nil unless strokes.is_a?(Array) && strokes.size.between?(1, MOST_STROKES) && strokes.all?(Array)
      points = strokes.flatten(1)
      return nil unless points.size.between?(2, MOST_POINTS) && points.all? { |point| point?(point) }
      strokes.map { |stroke| stroke.map { |x, y| [x.round(4), y.round(4)] } }
    rescue JSON::ParserError
      nil
    end

    def point?(point)
      point.is_a?(Array) && point.size == 2 && point.all? { |one| one.is_a?(Numeric) && one.between?(0, 1) }
    end
  end
end
