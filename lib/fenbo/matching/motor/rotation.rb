# frozen_string_literal: true

module Fenbo
  module Matching
    # Clockwise means nothing without a view. Everything is kept as seen from the
    # shaft end; from the lead end it is the other way round.
    module Rotation
      SENSES = %w[cw ccw reversible].freeze
      VIEWS = %w[shaft_end lead_end].freeze
      OPPOSITE = {"cw" => "ccw", "ccw" => "cw"}.freeze
      WORDS = {"cw" => "clockwise", "ccw" => "counter-clockwise", "reversible" => "reversible"}.freeze

      module_function

      # @return [String, nil] cw, ccw or reversible from the shaft end
      def canonical(sense, view)
        return sense if sense.nil? || sense == "reversible" || view != "lead_end"
        OPPOSITE.fetch(sense)
      end

      # "clockwise from the shaft end, counter-clockwise from the lead end"
      def words(sense)
        return WORDS.fetch(sense, "not known") unless OPPOSITE.key?(sense)
        "#{WORDS[sense]} from the shaft end, #{WORDS[OPPOSITE[sense]]} from the lead end"
      end
    end
  end
end
