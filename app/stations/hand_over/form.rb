# frozen_string_literal: true

module Stations
  module HandOver
    # The handover as typed, and the signature as drawn: strokes of points, each
    # from 0 to 1 across the field, [[[x, y], …], …].
    class Form < Shared::Form
      MOST_STROKES = 200
      MOST_POINTS = 6000

      # Reads what was typed and drawn; false with faults at their fields.
      def read
        @values = {
          summary: text(:summary, longest: 4000),
          seen_besides: text(:seen_besides, longest: 4000),
          next_visit_at: time(:next_visit_at),
          next_visit_for: text(:next_visit_for, longest: 300),
          unsigned_because: text(:unsigned_because, longest: 300)
        }
        @signature = signature
        clean?
      end

      def entry
        Entries::Handover.new(values: @values, version: params[:version].to_s[/\A\d{1,9}\z/]&.to_i, **@signature)
      end

      private

      # Nothing drawn keeps what was signed before.
      def signature
        text = params[:signature].to_s
        return {} if text.empty?
        strokes = strokes_of(text)
        return fault(:signature, "The signature could not be read. Please draw it again.") || {} unless strokes
        {signature: strokes, signed_name: text(:signed_name, longest: 120, required: "Whose signature is it?")}
      end

      def strokes_of(text)
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
end
