# frozen_string_literal: true

require "forwardable"
module Demo
  # The part of a demo job: the place measured, what was chosen, the offer taken.
  class PartMaker
    extend Forwardable

    def_delegators :@scene, :row, :job, :at, :unit, :who, :hand, :visit, :file, :clock, :moment, :last_moment

    def initialize(scene)
      @scene = scene
    end

    def make
      fit if row["fit"]
      match if row["match"]
      spare if row["spare"]
    end

    private

    # Measured once for the place; judged with the old motor's own shaft.
    def fit
      question = row["fit"].merge("L" => hand.motor_now.shaft_length_mm)
      result = Fenbo.call(:fit, question)
      raise ArgumentError, result.to_h.inspect if result.refused?
      @fit =
        Reading.create!(
          client_id: SecureRandom.uuid,
          job:,
          visit:,
          fan_position: hand,
          user: who,
          kind: "fit",
          phase: "before",
          typed: {},
          question:,
          result: result.as_json,
          verdict: result.verdict,
          taken_at: last_moment - 600
        )
    end

    def match
      search = Stations::Match::PartSearch.new(file, file.unit.fan(row["fan"]))
      best = pick(search) or raise ArgumentError, "nothing fits #{unit.name}"
      choice =
        PartChoice.create!(
          job:,
          fan_position: hand,
          fault: "#{hand.key}.1",
          motor: Motor.find_by!(part_no: best[:part_no]),
          user: who,
          grade: best[:grade],
          checks: best[:checks].as_json,
          beside: {"extra_work" => best[:extra_work].as_json, "transfers" => best[:transfers],
                   "parts" => best[:extra_parts] + best[:also]},
          **seat(search.motor(best[:part_no]))
        )
      source(choice)
    end

    # A part that is no motor, by its number, with the offer taken.
    def spare
      part = Spare.find_by!(part_no: row["spare"])
      kind = Fenbo::Matching::SpareKind[part.kind]
      search = Stations::Match::SpareSearch.new(file, file.fault_at(row["fan"]), kind, row.fetch("old", {}))
      search.old
      one = search.candidates.find { |candidate| candidate.part_no == part.part_no }
      raise ArgumentError, "#{part.part_no} does not fit #{unit.name}" unless one
      source(PartChoice.create!(job:, fan_position: hand, fault: "#{hand.key}.1", spare: part, user: who,
        grade: one.grade, checks: one.checks.as_json, wanted: search.old,
        beside: {"extra_work" => one.extra_work.as_json}))
    end

    def seat(motor)
      return {} unless @fit
      found = Fenbo.call(:fit, @fit.question.merge("L" => motor.shaft_length_mm))
      {fit_reading: @fit, seat_mm: found[:seat], spacers: found[:spacers]}
    end

    # What the row names, else what its offer's supplier has, else the best.
    def pick(search)
      wanted = row["part"]
      return search.candidates.find { |one| one[:part_no] == wanted } if wanted
      search.candidates.find do |one|
        Suppliers::Desk.offers(search.motor(one[:part_no])).any? { |offer| offer["id"] == row["offer"] }
      end || search.candidates.first
    end

    def source(choice)
      sources = Stations::Source::PartSources.new(file, file.fault_at(nil), clock:, now: at)
      option =
        sources.options.find { |one| one[:offer] == row["offer"] } ||
        sources.options.find { |one| one[:second_trip] } || sources.options.first
      kept = option.as_json.merge({"source" => Suppliers::Desk.name_of(option.offer),
                                   "order" => sources.order(option)}.compact)
      ready_at = row["ready"] ? moment(row["ready"]) : at - 3600
      choice.update!(offer: kept, ready_at:)
      ordered(PartOrder.follow(choice, kept, user: who, ready_at:))
    end

    # Taken by its supplier; here where its hour has come, later than promised where the row says so.
    def ordered(order)
      return unless order
      order.update!(state: (order.ready_at > at) ? "placed" : "here", placed_at: at - 3600,
        promised_at: order.ready_at - row.fetch("slipped_h", 0) * 3600)
    end
  end
end
