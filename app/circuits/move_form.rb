# frozen_string_literal: true

module Circuits
  # The forms of the ledger, each read to its entry: a circuit, a move, a search, a check.
  class MoveForm < Shared::Form
    KINDS = {"added" => "Added", "recovered" => "Recovered"}.freeze
    GLASSES = Shared::LedgerWords::GLASSES
    HOW = Shared::LedgerWords::HOW
    MOST_FANS = 100

    # @param today [Date]
    def initialize(params, today:, system: "si")
      super(params, system:)
      @today = today
    end

    # @param was [Fenbo::JobFile::Circuit, nil] the circuit as it is, where one is changed
    def circuit(was)
      name = text(:name, longest: 60, required: "Please give a name.")
      charge = quantity(:full_charge, "mass", required: true, was: was&.full_charge_kg)
      refrigerant = text(:refrigerant, longest: 30)
      uid = params[:uid].presence
      Entries::CircuitNoted.new(name:, refrigerant:, full_charge_kg: charge, uid:) if clean?
    end

    # @param id [String] the client's
    def move(id, circuit)
      read = {
        on: day, kind: choice(:kind, KINDS.keys, required: "Added or recovered?"),
        cylinder: text(:cylinder, longest: Cylinder::LONGEST, required: "Which cylinder? Its label or number."),
        before_kg: mass(:before), after_kg: mass(:after), fans_running: whole(:fans_running, 0..MOST_FANS),
        ambient_c: quantity(:ambient, "box_temperature"), sight_glass: choice(:sight_glass, GLASSES.keys),
        note: text(:note, longest: 500)
      }
      weigh(read)
      Entries::RefrigerantMoved.new(id:, circuit:, **read) if clean?
    end

    def search(id, circuit)
      read = {
        on: day, how: choice(:how, HOW.keys, required: "How was it sought?"),
        place: text(:place, longest: 200, required: "Where was it sought?"),
        found: {"1" => true, "0" => false}[choice(:found, %w[1 0], required: "Was a leak found?")],
        done: text(:done, longest: 500)
      }
      Entries::LeakSought.new(id:, circuit:, **read) if clean?
    end

    def check(id, search)
      read = {
        on: day, how: choice(:how, HOW.keys, required: "How was it looked at?"),
        tight: {"1" => true, "0" => false}[choice(:tight, %w[1 0], required: "Does it hold?")],
        note: text(:note, longest: 500)
      }
      Entries::LeakChecked.new(id:, search:, **read) if clean?
    end

    private

    def day
      return @today if typed(:on).empty?
      Date.iso8601(typed(:on)[0, 10])
    rescue Date::Error
      fault(:on, "A day, please.")
    end

    def mass(name) = quantity(name, "mass", required: true)

    # The core says which way round the weights have to be.
    def weigh(read)
      return unless clean?
      answer = Fenbo.call(:refrigerant, {"full_charge_kg" => 1, "moves" => [
        {"on" => read[:on].iso8601, "kind" => read[:kind], "before_kg" => read[:before_kg],
         "after_kg" => read[:after_kg]}
      ]})
      answer.faults.each { |one| fault(one.field[/\w+\z/].sub("_kg", ""), "It #{one.message}.") } if answer.refused?
    end
  end
end
