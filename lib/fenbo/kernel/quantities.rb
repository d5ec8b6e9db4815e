# frozen_string_literal: true

module Fenbo
  # What people type, in SI, and back. Understands decimal points and commas,
  # fractions, the units of both systems and two of them together ("1 h 30"); anything else
  # is refused with a sentence that says what would be understood.
  #
  #   Quantities.read("3/8 in", "length").value        #=> 9.525  (mm)
  #   Quantities.read("41 °F", "temperature").value    #=> 5.0    (°C)
  #   Quantities.read("1,2 A", "current").value        #=> 1.2    (A)
  #   Quantities.show(5.0, "temperature", "us")        #=> "41 °F"
  #
  # Kinds and units are in knowledge/units.yml. A temperature and a temperature
  # difference are different kinds: 5 °C is 41 °F, 5 K is 9 °F.
  module Quantities
    autoload :Joined, "fenbo/kernel/quantities/joined"

    Reading = Value.of(:value, :unit, fault: nil) { def ok? = fault.nil? }

    NUMBER =
      %r{(?<sign>[-+−–]?)\s*(?:(?<whole>\d+)\s+)?(?:(?<top>\d+)\s*/\s*(?<bottom>\d+)|(?<plain>\d+(?:[.,]\d+)?|[.,]\d+))}
    PATTERN = /\A\s*#{NUMBER}\s*(?<unit>[^\d\s].*?)?\s*\z/
    LONGEST = 40

    module_function

    def kinds = Knowledge.table("units")

    # @param text [String] as typed
    # @param kind [String] a key of units.yml
    # @param system [String] "si" or "us": whose unit a bare number is in
    # @return [Reading] value in the kind's SI unit, or a fault
    def read(text, kind, system: "si")
      text = text.to_s
      return fault("Please type #{a(kind)}, for instance #{example(kind)}.") if text.strip.empty?
      match = PATTERN.match(within_scale(text, kind)) if text.size <= LONGEST
      unless match
        return fault("“#{text[0, LONGEST]}” is not understood as #{a(kind)}. Write it like #{example(kind)}.")
      end
      unit = unit_of(match[:unit], kind, system)
      joined = unit ? nil : Joined.read(text, kind)
      return checked(joined, shown_unit(kind, system), kind) if joined
      return fault("“#{match[:unit]}” is no unit of #{word(kind)} here. Write it like #{example(kind)}.") unless unit
      number = number_of(match) or return fault("A fraction cannot have nothing below the line.")
      checked(to_si(number, unit), unit, kind)
    end

    # Decimals as many as a logger or a clock writes.
    PLAIN = /\A[-−–]?\d{1,9}(?:[.,]\d{1,20})?\z/

    # A number without a unit, its decimals after a point or a comma.
    # @return [Float, nil] nil where it is none
    def number(text)
      plain = text.to_s.strip
      plain.tr("−–", "-").tr(",", ".").to_f if PLAIN.match?(plain)
    end

    # A figure in the reader's own system, with its unit: "41 °F".
    def show(value, kind, system = "si", digits: nil)
      return "–" if value.nil?
      number, unit = figure(value, kind, system, digits:)
      "#{number} #{unit}"
    end

    # The two halves of `show`, for a number with its unit set beside it.
    def figure(value, kind, system = "si", digits: nil)
      [tidy(shown(value, kind, system, digits:)), unit(kind, system)]
    end

    # As it would be typed into a field, without its unit: "41".
    def typed(value, kind, system = "si")
      figure(value, kind, system, digits: shown_unit(kind, system)["typed_digits"]).first.tr("−", "-")
    end

    # The figure itself, rounded as it is shown.
    def shown(value, kind, system = "si", digits: nil)
      unit = shown_unit(kind, system)
      ((value - unit.fetch("offset", 0)) / unit["factor"]).round(digits || kinds[kind]["digits"])
    end

    # The way back, of a figure that is shown.
    def stored(number, kind, system = "si")
      to_si(number, shown_unit(kind, system))
    end

    # The unit a bare number is taken to be in.
    def unit(kind, system = "si") = shown_unit(kind, system)["name"]

    def word(kind) = kinds[kind]["word"]

    # "a duration", "an insulation resistance"
    def a(kind) = "#{word(kind).match?(/\A[aeiou]/) ? "an" : "a"} #{word(kind)}"

    # "> 500 MΩ", as a meter shows what is beyond its scale, is at least so much.
    def within_scale(text, kind)
      kinds[kind]["beyond_scale"] ? text.sub(/\A\s*[>≥]/, "") : text
    end

    def example(kind)
      kinds[kind]["examples"].map { |one| "“#{one}”" }.join(" or ")
    end

    def tidy(number)
      text = (number == number.to_i) ? number.to_i.to_s : number.to_s
      text.sub(/\A-/, "−")
    end

    # To three figures that count, never as a power of ten: 0.862, 1100.
    def rounded(number) = tidy(Float(format("%.3g", number)))

    def number_of(match)
      return nil if match[:bottom]&.to_i&.zero?
      part =
        if match[:bottom]
          Rational(match[:top].to_i, match[:bottom].to_i).to_f
        else
          Float(match[:plain].tr(",", ".").sub(/\A\./, "0."))
        end
      size = match[:whole].to_i + part
      %w[- − –].include?(match[:sign]) ? -size : size
    end

    def unit_of(typed, kind, system)
      return shown_unit(kind, system) if typed.nil?
      plain = typed.strip.downcase.delete(".").squeeze(" ")
      kinds[kind]["units"].find { |unit| unit["also"].include?(plain) || unit["name"].downcase == plain }
    end

    def shown_unit(kind, system)
      kinds[kind]["units"].find { |unit| unit["system"].include?(system) && unit["shown"] }
    end

    def to_si(number, unit)
      (number * unit["factor"] + unit.fetch("offset", 0)).round(9)
    end

    def checked(value, unit, kind)
      low, high = kinds[kind]["range"]
      return Reading.new(value:, unit: unit["name"]) if value.between?(low, high)
      fault(
        "#{tidy(value.round(3))} #{shown_unit(kind, "si")["name"]} cannot be right for #{a(kind)}; it " \
          "is between #{low} and #{high}."
      )
    end

    def fault(message) = Reading.new(value: nil, unit: nil, fault: message)
  end
end
