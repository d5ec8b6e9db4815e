# frozen_string_literal: true

module Fenbo
  # A sentence of the core's, whose figures are SI, in the units of whoever reads it.
  #
  #   Retold.sentence("From 5.4 °C towards 14 °C", "us")   #=> "From 41.7 °F towards 57.2 °F"
  #   Retold.sentence("8.6 to 17.4 mm off its face", "us") #=> "0.34 to 0.69 in off its face"
  module Retold
    # Of these the other system has its own.
    KINDS = {"°C" => "temperature", "K" => "difference", "mm" => "length", "kg" => "mass"}.freeze
    NUMBER = /[−-]?\d+(?:\.\d+)?/
    FIGURES = /(?<figures>#{NUMBER}(?: to #{NUMBER})?) (?<unit>#{KINDS.keys.join("|")})(?![[:word:]²³\/])/
    HYPHEN = /(?<=[\s(])-(?=\d)/
    private_constant :KINDS, :NUMBER, :FIGURES, :HYPHEN

    module_function

    # With a minus where the core, whose text is for any reader, has a hyphen.
    # @param text [String]
    # @param system [String] "si" or "us"
    def sentence(text, system)
      told = (system == "si") ? text : text.gsub(FIGURES) { told(Regexp.last_match, system) }
      told.gsub(HYPHEN, "−")
    end

    # A figure and its limit, which stand beside a sentence without a unit: in that of the sentence,
    # where it says one of them.
    # @param values [Array<Numeric, nil>]
    # @return [Array<Numeric, nil>]
    def beside(values, text, system)
      said = text.enum_for(:scan, FIGURES).map { Regexp.last_match }
        .find { |match| match[:figures].split(" to ").any? { |one| values.any? { |value| said?(value, one) } } }
      return values unless said && system != "si"
      values.map { |value| value.is_a?(Numeric) ? Quantities.shown(value, KINDS.fetch(said[:unit]), system) : value }
    end

    # A sentence rounds.
    def said?(value, figure)
      return false unless value.is_a?(Numeric)
      Quantities.tidy(value.round(figure[/\.(\d+)/, 1].to_s.size)) == Quantities.tidy(figure.tr("−", "-").to_f)
    end

    def told(match, system)
      kind = KINDS.fetch(match[:unit])
      figures = match[:figures].gsub(NUMBER) { |one| Quantities.figure(one.tr("−", "-").to_f, kind, system).first }
      "#{figures} #{Quantities.unit(kind, system)}"
    end
  end
end
