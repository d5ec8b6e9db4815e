# frozen_string_literal: true

module Stations
  module HandOver
    # The handover as typed, and the signature as drawn.
    class Form < Shared::Form
      # @param signed [String, nil] under which name it is signed already
      def initialize(params, signed: nil)
        super(params)
        @signed = signed
      end

      # Reads what was typed and drawn; false with faults at their fields.
      def read
        @values = {
          summary: text(:summary, longest: 4000),
          seen_besides: seen,
          next_visit_at: time(:next_visit_at),
          next_visit_for: text(:next_visit_for, longest: 300),
          # Who has signed after all is not missed any more.
          unsigned_because: (text(:unsigned_because, longest: 300) if params[:signature].to_s.empty?)
        }
        @signature = signature
        clean?
      end

      def entry
        Entries::Handover.new(values: @values, version: params[:version].to_s[/\A\d{1,9}\z/]&.to_i, **@signature)
      end

      private

      # A line each, led by how soon it wants somebody.
      def seen
        Fenbo::JobFile::GRADES.flat_map { |grade|
          text(:"seen_#{grade}", longest: 1300).to_s.lines.map(&:strip).reject(&:empty?).map { |line|
            "#{grade}: #{line}"
          }
        }.join("\n").presence
      end

      # Nothing drawn keeps what was signed before; another name alone is no signature.
      def nothing_drawn
        name = text(:signed_name, longest: 120)
        return {} if name.nil? || name == @signed || @values[:unsigned_because]
        fault(:signature, "Nobody has drawn for #{name} yet: have it drawn, or leave the name out.")
        {}
      end

      def signature
        text = params[:signature].to_s
        return nothing_drawn if text.empty?
        strokes = Shared::Strokes.read(text)
        return fault(:signature, "The signature could not be read. Please draw it again.") || {} unless strokes
        {signature: strokes, signed_name: text(:signed_name, longest: 120, required: "Whose signature is it?")}
      end
    end
  end
end
