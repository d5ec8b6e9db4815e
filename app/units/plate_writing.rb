# frozen_string_literal: true

module Units
  # What stands on a plate as plates write it, read from the fields of a form.
  module PlateWriting
    HERTZ = (16..400)

    private

    # "208/230 V" or "0.85/0.42 A": one figure for each voltage.
    def list(name, kind)
      parts = params[name].to_s.split(%r{[/;]}).map(&:strip).reject(&:empty?)
      readings = parts.map { |part| Fenbo::Quantities.read(part, kind) }
      wrong = readings.find { |reading| !reading.ok? }
      return fault(name, wrong.fault) || [] if wrong
      return fault(name, "must be above nothing.") || [] if readings.any? { |reading| reading.value.zero? }
      readings.map(&:value)
    end

    # "50", "50/60 Hz", "50-60"
    def hertz
      parts = typed(:hertz).sub(/\s*hz\z/i, "").split(%r{[/;,–\s-]+}).reject(&:empty?)
      figures = parts.map { |part| Fenbo::Quantities.number(part) }
      return figures if figures.all? { |one| one && HERTZ.cover?(one) }
      fault(:hertz, "A frequency like “50” or “50/60”, from #{HERTZ.first} to #{HERTZ.last} Hz.") || []
    end

    # "1/15" or "0.25", and "9 W" where the plate gives watts at the shaft.
    def horsepower
      text = typed(:horsepower).sub(/\s*h\.?p\.?\z/i, "")
      return nil if text.empty?
      # Shown rounded, it means what is kept.
      kept = @position.motor_now&.horsepower
      return kept if kept && text == PlateFields.horsepower(kept)
      in_watts = text.match?(/w\z/i)
      reading = Fenbo::Quantities.read(in_watts ? text : "#{text} hp", "power")
      if reading.ok? && reading.value.positive?
        digits = in_watts ? 6 : Shared::ShaftPower::DIGITS
        (reading.value / Shared::Shop.limits["match.watts_per_horsepower"]).round(digits)
      else
        fault(:horsepower, "A share or a number, like “1/15” or “0.25”, or watts: “9 W”.")
      end
    end

    # A motor of none of it is no motor.
    def above_nothing(name, kind)
      value = quantity(name, kind)
      value&.zero? ? fault(name, "must be above nothing.") : value
    end

    # Kept from the shaft end; a sense means nothing without the end it is seen from.
    def sense
      turning = choice(:rotation, Fenbo::Matching::Rotation::SENSES)
      view = choice(:rotation_view, Fenbo::Matching::Rotation::VIEWS)
      return fault(:rotation_view, "From which end is that seen?") if view.nil? && %w[cw ccw].include?(turning)
      Fenbo::Matching::Rotation.canonical(turning, view)
    end

    # "Belly band" as the catalogue spells it.
    def word(name) = text(name, longest: 40)&.downcase&.tr(" -", "__")
  end
end
