# frozen_string_literal: true

module Stations
  module Match
    # Match's own sentences.
    module Words
      def candidate_words(motor, listed:)
        [motor.maker, motor_words(motor.family), motor.watts && "#{Fenbo::Quantities.tidy(motor.watts)} W",
          ("listed for the old one" if listed)].compact.join(", ")
      end

      # Whether it saves or costs, and when it is paid back.
      def energy_words(energy)
        side = (energy.verdict == "costs") ? "more" : "saved"
        years = energy.payback_years
        return side if years.nil?
        years.zero? ? "#{side}, at no higher price" : "#{side}, paid back in #{years_words(years)}"
      end

      def fit_words(part_no, result)
        return "#{part_no} does not fit here." if result.verdict == "does_not_fit"
        return "Too close to call." if result.close.any?
        result.spacers.positive? ? "It fits with #{count(result.spacers, "spacer")}." : "It fits."
      end

      # What has to be set on the best candidate.
      def settings_words(best)
        best.settings.any? ? "Set on it: #{best.settings.join("; ")}" : "Nothing has to be set on it"
      end

      # A column of the old part as its field holds it: as typed, else in the reader's units.
      def spare_field(spares, name, column)
        return spares.params[name] if spares.params.key?(name)
        value = spares.shown(name)
        return typed(value, column["quantity"]) if column["quantity"] && value
        value.is_a?(Numeric) ? Fenbo::Quantities.tidy(value) : value
      end

      # Whether a part that is no motor fits, as far as anybody knows.
      def fits_words(candidate)
        Fenbo::Matching::SpareJudged.words(candidate.grade, candidate.compare)
      end

      # What is bought beside a candidate; what comes in its kit is not.
      def bought_beside(candidate)
        candidate.extra_parts.reject { |part| part.end_with?("from the kit") } + candidate.also
      end
    end
  end
end
