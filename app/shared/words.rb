# frozen_string_literal: true

module Shared
  # The product's own words for ids of the core.
  module Words
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
      "no_history" => "nothing added yet"
    }.freeze
    GOOD = %w[within good sound waits on_course healthy].freeze
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
      "pulldown" => "Four readings over fifteen minutes at least, once everything runs again.",
      "refrigerant" => "Cylinder weights before and after. For licensed people; the limit that counts is local law's."
    }.freeze
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
    # How far a chosen part has come.
    PARTS = {
      "fitted" => "fitted", "ordered" => "ordered, not fitted yet", "chosen" => "chosen, not ordered yet"
    }.freeze
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

    # What one wants to read first on a fan's label.
    TELLING = %w[fan_motion noise frost_pattern blade_state amps spin_by_hand winding_ohms capacitor].freeze

    def bench_hint(tool) = HINTS.fetch(tool)

    # The class that colours a verdict; its words always stand beside it.
    def verdict_tone(verdict)
      return "verdict-good" if GOOD.include?(verdict)
      OPEN.include?(verdict) ? "verdict-open" : "verdict-bad"
    end

    def plate_words(motor)
      parts = [
        "plate #{motor.amps.map { |one| Fenbo::Quantities.tidy(one) }.join("/")} A at " \
        "#{motor.volts.map { |one| Fenbo::Quantities.tidy(one) }.join("/")} V"
      ]
      parts << "#{Fenbo::Quantities.tidy(motor.watts)} W" if motor.watts
      parts << "#{Fenbo::Quantities.tidy(motor.capacitor_uf)} µF" if motor.capacitor_uf
      parts.join(", ")
    end

    # What a job's unit is, in a line: motor, refrigerant, how warm the box is.
    def unit_words(job, motor)
      box = [job.box_c && "box #{show(job.box_c, "temperature")}",
        job.unit.setpoint_c && "set #{show(job.unit.setpoint_c, "temperature")}"].compact.join(", ")
      [motor_words(motor&.family), job.unit.refrigerant, ("flammable" if job.unit.flammable), box.presence].compact
        .join(" · ")
    end

    # nil where its accuracy is not set.
    def meter_words(user)
      return unless user.meter_for_core
      meter = user.meter
      "#{meter["name"].presence || "Your meter"}: ±(#{meter["percent"]} % + #{meter["counts"]} × " \
      "#{meter["resolution"]} A)#{", true RMS" if meter["true_rms"]}."
    end

    # A figure of a reason, short.
    def plain(value)
      if value.is_a?(Numeric)
        Fenbo::Quantities.tidy(value.is_a?(Float) ? value.round(3) : value)
      else
        value
      end
    end

    # The legs of an amps reading, short.
    def amps_figures(reading)
      reading.answer.legs.map { |leg| Fenbo::Quantities.tidy(leg.amps.round(3)) }.join(" · ")
    end

    # What was read, as its meter can tell: "0.16 A ± 0.02", of an EC motor "22.9 W".
    def read_words(reading)
      answer = reading.answer or return "–"
      return show(answer.watts, "power") if answer.watts
      answer.legs.map { |leg| leg_words(leg) }.join(" · ")
    end

    def leg_words(leg)
      return "#{Fenbo::Quantities.tidy(leg.amps.round(3))} A" unless leg.error&.positive?
      digits = [-Math.log10(leg.error).floor, 0].max.clamp(0, 3)
      "#{Fenbo::Quantities.tidy(leg.amps.round(digits))} A ± #{Fenbo::Quantities.tidy(leg.error.round(digits))}"
    end

    # The window it is held against, in its own unit.
    def window_words(reading)
      window = reading.answer&.window or return "–"
      low, high = [window.low, window.high].map { |one| Fenbo::Quantities.tidy(one.round(2)) }
      "#{low} to #{high} #{reading.answer.watts ? "W" : "A"}"
    end

    # "0.39 A ± 0.01, within (window 0.32 to 0.47 A)"
    def measured_words(reading)
      window = window_words(reading)
      "#{read_words(reading)}, #{verdict_words(reading.verdict)}#{" (window #{window})" unless window == "–"}"
    end

    # The same to be read aloud, with its verdict.
    def amps_words(reading)
      "#{reading.answer.legs.map { |leg| "#{leg.amps} A" }.join(", ")}, #{verdict_words(reading.verdict)}"
    end

    def turns_words(reading)
      ", wrap #{reading.answer.turns_needed} turns" if reading.answer.turns_needed
    end

    # A reason's figures: what was read, against which limit, and where that is from.
    def reason_words(reason)
      figure = ->(value) { %(<span class="figure">#{h(plain(value))}</span>) }
      figures = [reason.value && "here #{figure[reason.value]}", reason.limit && "limit #{figure[reason.limit]}"]
      [figures.compact.join(", "), source_words(reason.source)].reject(&:empty?).join(" · ")
    end

    # Where a limit is from, in words: the chapter, or this shop.
    def source_words(source)
      return "" if source.nil?
      (source == "shop") ? "this shop's own limit" : "source: #{source.sub("/", ", ").tr("-", " ")}"
    end

    def verdict_words(verdict)
      VERDICTS.fetch(verdict, verdict.to_s.tr("_", " "))
    end

    def motor_words(family) = MOTORS.fetch(family, "motor not known")

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

    # Work of the queue that broke off, and whether it is tried again.
    def broken_words(work)
      tries = count(work.tries, "try", "tries")
      why = work.message.to_s.lines.first.to_s.strip[0, 160]
      "#{work.work.split("::").last} broke off, #{tries}, #{work.given_up ? "given up" : "tried again"}: #{why}"
    end

    # A blade of the catalogue: what tells it from another, and its price.
    def blade_words(blade)
      "#{show(blade.diameter_mm, "length")}, #{blade.blade_count} × " \
      "#{Fenbo::Quantities.tidy(blade.pitch_deg)}°, #{blade.hub.tr("_", " ")}, #{money(blade.price_cents)}"
    end

    # A test to do, with how long it takes.
    def offer_of_test(test, row)
      "#{test.short}#{" again" if row.again}, #{row.minutes} min"
    end

    # What was decided, by whom and when.
    def decided_words(decision)
      "#{ACTIONS[decision.action]}, by #{decision.by.name}, #{day_clock(decision.taken_at)}."
    end

    # "Bearing worn, replace. BR-M16-230 ordered, not fitted yet"
    def fault_words(fault)
      decided = fault.decision && "#{fault.decision.label}, #{ACTIONS[fault.decision.action].downcase}"
      [decided, part_words(fault)&.upcase_first].compact.join(". ")
    end

    # Fitted is only what somebody confirmed.
    def part_words(fault)
      thing = fault.part_choice&.thing or return nil
      what = "#{thing_words(fault.part_choice)} #{thing.part_no}"
      return "#{what} #{PARTS.fetch(fault.standing, "chosen")}" unless fault.part_choice.fitted?
      "#{what} fitted #{day_clock(fault.part_choice.fitted_at)} by #{fault.part_choice.fitted_by&.name}"
    end

    # What a part that is no motor is told by: "coil voltage 24 V, poles 3"
    # @param known [Hash] its columns
    def spare_words(kind, known)
      columns = Fenbo::Matching::SpareKind[kind].columns
      known.slice(*columns.keys).map { |name, value|
        "#{columns[name]["ask"].downcase} #{spare_value(columns[name], value)}"
      }.join(", ")
    end

    def spare_value(column, value)
      return value.tr("_", " ") if value.is_a?(String)
      column["quantity"] ? show(value, column["quantity"]) : Fenbo::Quantities.tidy(value)
    end

    # "motor", "contactor"
    def thing_words(choice)
      choice.motor ? "motor" : choice.spare.label.downcase
    end

    # The old motor in a line, figures with their units.
    def old_motor_words(motor)
      tidy = ->(values) { values.map { |value| Fenbo::Quantities.tidy(value) }.join("/") }
      [h(motor_words(motor.family)), amount(tidy[motor.volts], "V"), amount(tidy[motor.amps], "A"),
        motor.watts && amount(Fenbo::Quantities.tidy(motor.watts), "W"), motor.rpm && amount(motor.rpm.to_i, "rpm"),
        motor.shaft_diameter_mm && "shaft #{h(show(motor.shaft_diameter_mm, "length"))}"].select(&:itself).join(", ")
    end

    # What is known of a fan, shortest first, for its leader label.
    def fan_words(position, findings)
      said =
        findings
          .select { |finding| finding.fan == position.key && finding.outcome != "not_visible" }
          .uniq(&:test)
          .sort_by { |finding| TELLING.index(finding.test) || TELLING.size }
          .first(3)
          .map { |finding| finding.label.downcase }
      said.empty? ? "not looked at" : said.join(" · ")
    end
  end
end
