# frozen_string_literal: true

module Stations
  module Match
    # What was measured of a fan's place and its blade, as typed; asked of the core for one
    # part's shaft, and kept as a reading of the fan: the next part, the next job use it too.
    class ClearanceForm < Shared::Form
      MOST_SPACERS = 20
      # How far an arrow key moves the hub, in mm, and how that is called.
      STEPS = {"si" => [0.5, "half a millimetre"], "us" => [25.4 / 64, "1/64 of an inch"]}.freeze

      def self.rows = Fenbo::Knowledge.table("measurements")

      attr_reader :result

      # @param motor [Motor, nil] the part looked at; its shaft is taken from the catalogue
      # @param position [Fenbo::JobFile::Fan]
      def initialize(position, motor, params, user)
        super(params, system: user.unit_system)
        @position = position
        @motor = motor
        @user = user
      end

      # The place as it was measured last.
      def latest = @position.place

      # Something was typed, or something was kept.
      def asked? = typed? || !latest.nil?

      def typed? = self.class.rows.keys.any? { |name| params.key?(name) }

      # What a field holds: as typed, else as kept, in the reader's unit.
      def value(name)
        return params[name] if typed?
        kept = kept(name)
        return nil if kept.nil?
        (self.class.rows[name]["kind"] == "length") ? shown(kept) : kept.to_i.to_s
      end

      def tolerance
        return params["tolerance"] if typed?
        latest && shown(latest.question["tolerance"] || usual_tolerance)
      end

      def usual_tolerance = Shared::Shop.limits["fit.tolerance"]

      # The shaft looked at, in mm: the catalogue's, else the one typed.
      def shaft_mm = @motor&.shaft_length_mm || own_shaft

      # False where something typed cannot be understood; faults stand at their fields.
      def ask
        asked = question
        return false unless clean?
        @question = asked
        @result = Fenbo.call(:fit, asked, limits: Shared::Shop.limits)
        return true unless @result.refused?
        @result.faults.each { |one| fault(field_of(one.field), "This #{one.message}.") }
        false
      end

      def asked_question = @question

      # The solver's own object, for drawing.
      def layout
        return nil unless @question
        Fenbo::Clearance::Fit.new(
          Fenbo::Clearance::Question.read(Fenbo::Input.new(@question), Shared::Shop.limits),
          Shared::Shop.limits
        ).layout
      end

      # Whether a condition is the one that leaves least room.
      def binds?(condition, conditions)
        condition[:id] == result.binding && condition[:holds] &&
          condition[:margin] == conditions.filter_map { |other| other[:margin] }.min
      end

      # What would be looked at if it were measured.
      def open_questions
        self
          .class
          .rows
          .reject { |_, row| row["needed"] || row["place"] == "key" }
          .filter_map { |name, row| [row["label"], row["without"]] if value(name).to_s.strip.empty? }
      end

      # The measurements as a reading of the fan, to be kept.
      def entry(id:)
        kept = @question.except("chosen", "L", "blade_diameter_mm").merge("L" => @question["L"])
        Entries::Reading.new(id:, fan: @position.key, kind: "fit", question: kept, result:,
          typed: params.slice(*self.class.rows.keys, "tolerance"))
      end

      private

      def question
        read = typed? ? typed_lengths : (latest&.question || {}).except("chosen")
        read = read.merge("L" => shaft_mm) if shaft_mm
        read = read.merge("blade_diameter_mm" => @position.motor&.blade_diameter_mm)
        fault("shaft", "The catalogue does not tell this shaft's length: measure or ask for it.") if read["L"].nil?
        read.merge(chosen).compact
      end

      def typed_lengths
        read =
          self.class.rows.to_h do |name, row|
            [
              row["letter"],
              (row["kind"] == "count") ? whole(name, 0..MOST_SPACERS) : length(name, row["needed"])
            ]
          end
        keys = %w[k0 k1 k].to_h { |letter| [letter, read.delete("key.#{letter}")] }
        read["key"] = keys if keys.values.any?
        read.merge("tolerance" => length("tolerance"))
      end

      # A blade may begin in front of its hub: below nothing is a length too here.
      def length(name, needed = nil)
        text = params[name].to_s.strip
        return (needed ? fault(name, "Measured? Without it nothing can be said.") : nil) if text.empty?
        return kept(name) if kept(name) && text == shown(kept(name))
        minus = text.match?(/\A[-−–]/)
        reading = Fenbo::Quantities.read(text.sub(/\A[-−–]\s*/, ""), "length", system: @user.unit_system)
        return fault(name, reading.fault) unless reading.ok?
        minus ? -reading.value : reading.value
      end

      # What was measured of it last, in mm or pieces.
      def kept(name)
        row = self.class.rows[name]
        latest && dig(latest.question, row ? row["letter"] : name)
      end

      def shown(millimetres)
        Fenbo::Quantities.typed(millimetres, "length", @user.unit_system)
      end

      def chosen
        return {} if params["seat"].to_s.strip.empty?
        seat = length("seat")
        seat ? {"chosen" => {"seat" => seat, "spacers" => whole("spacers_set", 0..MOST_SPACERS) || 0}} : {}
      end

      # Typed where the catalogue does not tell; another part's shaft is never taken for it.
      def own_shaft = params["shaft"].to_s.strip.empty? ? nil : length("shaft")

      def dig(question, letter)
        letter.split(".").reduce(question) { |at, key| at && at[key] }
      end

      def field_of(path)
        self.class.rows.find { |_, row| row["letter"] == path }&.first ||
          {"L" => "shaft", "chosen.seat" => "seat", "key.k1" => "key_to"}.fetch(path, path)
      end
    end
  end
end
