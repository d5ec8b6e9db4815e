# frozen_string_literal: true

module Shared
  # The product's own words for ids of the core.
  module Words
    include ReadingWords
    include PartWords
    include LedgerWords
    include FanWords

    VERDICTS = {
      "within" => "within",
      "over" => "over",
      "under" => "under",
      "none" => "no current",
      "locked" => "locked: hums, does not turn",
      "cannot_tell" => "cannot tell",
      "not_by_amps" => "not by amps",
      "correct" => "correct the supply or the fault",
      "stop" => "stop the motor",
      "no_supply" => "dead: no supply or not called",
      "open_winding" => "a winding is open",
      "open_protector" => "protector or leads open",
      "shorted_turns" => "shorted turns",
      "grounded" => "grounded: do not energise",
      "incomplete" => "not enough measured yet",
      "weak" => "weak",
      "high" => "too high",
      "open" => "open",
      "hours" => "it does not wait for ever",
      "waits" => "it waits",
      "past" => "past its limit",
      "on_course" => "on course",
      "stalls_above" => "stalls above the setpoint",
      "rising" => "rising",
      "too_early" => "too early to tell",
      "no_history" => "nothing added yet",
      "follows" => "follows its control",
      "does_not_follow" => "does not follow its control",
      "repair" => "repairing costs less",
      "replace" => "replacing costs less"
    }.freeze
    GOOD = %w[within good sound waits on_course healthy follows repair replace].freeze
    OPEN = %w[unclear cannot_tell not_by_amps watch incomplete too_early no_history hours].freeze
    HINTS = {
      "amps" =>
        "Type what the plate says and what the clamp shows. Wrap the wire more often when the meter cannot tell.",
      "phases" =>
        "Three volts, three amps or both. Roll all leads one step and type the amps again: that tells supply " \
        "from motor.",
      "windings" => "Dead, isolated, connector off. Pair by pair, “open” where there is no path.",
      "capacitor" => "What is printed, and what it measures; or amps and volts under load, without taking it out.",
      "product" => "Two readings give this box's own pace; else the family's usual one is taken.",
      "driven" => "Watts at 0, 5 and 10 V, or how many fans run at each stage, once everything is back.",
      "pulldown" => "Four readings over fifteen minutes at least, once everything runs again.",
      "replace" => "What the repair and a new unit cost, and how long each lasts: both by the year, the half-price " \
        "rule beside it.",
      "refrigerant" => "Cylinder weights before and after. For licensed people; the limit that counts is local law's."
    }.freeze
    DAYS = {"1" => "Mon", "2" => "Tue", "3" => "Wed", "4" => "Thu", "5" => "Fri", "6" => "Sat", "7" => "Sun"}.freeze
    COMPLAINTS = {
      "stands_still" => "a fan stands still",
      "noise" => "noise",
      "too_warm" => "too warm",
      "too_cold" => "too cold",
      "ice" => "ice",
      "water" => "water",
      "little_air" => "little air"
    }.freeze
    MOTORS = {
      "shaded_pole" => "shaded pole",
      "psc" => "PSC",
      "ec" => "EC",
      "split_phase" => "split phase",
      "three_phase" => "three-phase"
    }.freeze
    GRADES = {"drop_in" => "Drops in", "fits_with_work" => "Fits with work", "conversion" => "Conversion"}.freeze
    IMPORTS = {
      "waiting" => "waiting",
      "checking" => "being looked through",
      "checked" => "looked through",
      "taking" => "being taken",
      "taken" => "taken",
      "broken" => "broken off"
    }.freeze
    STATIONS = {
      "call" => "Call", "look" => "Look", "measure" => "Measure", "decide" => "Decide", "match" => "Match",
      "source" => "Source", "fit" => "Work", "prove" => "Prove", "hand_over" => "Hand over"
    }.freeze
    PHASES = {
      "safe" => "Made safe", "apart" => "Taken apart", "exchange" => "Exchanged", "back" => "Put back",
      "prove" => "First run"
    }.freeze
    ACTIONS = {
      "replace" => "Replace", "repair" => "Repair", "clean" => "Clean", "wait" => "Wait and watch",
      "other" => "Something else"
    }.freeze
    # What a work plan is about.
    TASKS = {
      "evaporator_fan_motor" => "Motor", "condenser_fan_motor" => "Motor", "fan_blade" => "Blade",
      "grommet" => "Grommet", "conversion_kit" => "Conversion kit", "cleaning" => "Cleaning",
      "contactor" => "Contactor", "capacitor" => "Capacitor", "door_switch" => "Door switch",
      "defrost_heater" => "Defrost heater", "drain_heater" => "Drain heater",
      "defrost_termination" => "Defrost sensor", "gasket" => "Door gasket", "connector" => "Connector",
      "other_part" => "Another part"
    }.freeze

    # "motor and cleaning"
    # @param ids [Array<String>]
    def self.tasks(ids) = ids.map { |id| TASKS.fetch(id).downcase }.to_sentence
    # How far a chosen part has come.
    PARTS = {
      "fitted" => "fitted", "ordered" => "ordered, not fitted yet", "chosen" => "chosen, not ordered yet"
    }.freeze
    # How a companion of a cause stands.
    COMPANY = {
      "found" => "There with it", "likely" => "Likely there with it", "ruled_out" => "Looked for, not there",
      "open" => "Looked at, still open",
      "not_looked" => "Not looked at", "unlikely" => "Unlikely by what was found"
    }.freeze

    # @param row what diagnose says of a companion
    def self.company(row)
      sure = row.standing != "found" || row.probability >= Shop.limits["diagnosis.decisive"]
      COMPANY.fetch(sure ? row.standing : "likely")
    end
    APPEARANCES = {"day" => "Day", "glare" => "Glare", "dark" => "Dark box"}.freeze
    STATES = {"L" => "Looking", "P" => "Live", "D" => "Proved dead", "C" => "Cover off"}.freeze
    # Tests whose answer an instrument gives by itself.
    BY_INSTRUMENT = {
      "amps" => "amps",
      "amps_beside_neighbours" => "amps",
      "voltage_balance" => "phases",
      "winding_ohms" => "windings",
      "insulation" => "windings",
      "capacitor" => "capacitor"
    }.freeze
    MARKS = {"pass" => "=", "adapt" => "~", "fail" => "×"}.freeze
    ROLES = {"technician" => "Technician", "office" => "Office", "apprentice" => "Apprentice"}.freeze

    def bench_hint(tool) = HINTS.fetch(tool)

    # What a job's unit is, in a line: motor, refrigerant, how warm the box is.
    def unit_words(job, motor)
      box = [job.box_c && "box #{show(job.box_c, "temperature")}",
        job.unit.setpoint_c && "set #{show(job.unit.setpoint_c, "temperature")}"].compact.join(", ")
      [motor_words(motor&.family), job.unit.refrigerant, ("flammable" if job.unit.flammable), box.presence].compact
        .join(" · ")
    end

    def station_name(id) = STATIONS.fetch(id)

    def caution(id) = Fenbo::Knowledge.table("cautions").fetch(id)

    # The first sentence of what to mind, and the rest behind it.
    def caution_halves(ids)
      ids.map { |id| caution(id) }.join(" ").split(/(?<=\.)\s+/, 2)
    end

    def cause_label(id) = Fenbo::Diagnosis::Cause.label(id)

    def test_of(id) = Fenbo::Diagnosis::Test[id]

    def count(number, one, many = "#{one}s")
      "#{number} #{(number == 1) ? one : many}"
    end

    # "1 year", "2.4 years"
    def years_words(years)
      figure = Fenbo::Quantities.tidy(years.round(1))
      (figure == "1") ? "1 year" : "#{figure} years"
    end

    # How a job ended that takes nothing more, or waits.
    def ended_words(job)
      by = job.closed_by ? " by #{job.closed_by.first_name}" : ""
      return "Closed#{by}, waiting for a technician's countersign at Hand over." unless job.closed?
      why = job.cancel_reason ? ": #{job.cancel_reason.sub(/[.\s]+\z/, "")}" : ""
      "#{job.status.capitalize}#{by}, #{day_clock(job.closed_at)}#{why}. It takes nothing more."
    end

    # Work of the queue that broke off, and whether it is tried again.
    def broken_words(work)
      tries = count(work.tries, "try", "tries")
      why = work.message.to_s.lines.first.to_s.strip[0, 160]
      "#{work.work.split("::").last} broke off, #{tries}, #{work.given_up ? "given up" : "tried again"}: #{why}"
    end

    # A test to do, with how long it takes.
    def offer_of_test(test, row)
      "#{test.short}#{" again" if row.again}, #{row.minutes} min"
    end
  end
end
