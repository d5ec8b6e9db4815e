# frozen_string_literal: true

module Shared
  # Motors, blades and other parts, what was decided about them and how far they have come.
  module PartWords
    def plate_words(motor)
      parts = [
        "plate #{motor.amps.map { |one| Fenbo::Quantities.tidy(one) }.join("/")} A at " \
        "#{motor.volts.map { |one| Fenbo::Quantities.tidy(one) }.join("/")} V"
      ]
      parts << "#{Fenbo::Quantities.tidy(motor.watts)} W" if motor.watts
      parts << "#{Fenbo::Quantities.tidy(motor.capacitor_uf)} µF" if motor.capacitor_uf
      parts.join(", ")
    end

    def motor_words(family) = Words::MOTORS.fetch(family, "motor not known")

    # A blade of the catalogue: what tells it from another, and its price.
    def blade_words(blade)
      "#{show(blade.diameter_mm, "length")}, #{blade.blade_count} × " \
      "#{Fenbo::Quantities.tidy(blade.pitch_deg)}°, #{blade.hub.tr("_", " ")}, #{money(blade.price_cents)}"
    end

    # What was decided, by whom and when.
    def decided_words(decision)
      "#{Words::ACTIONS[decision.action]}, by #{decision.by.name}, #{day_clock(decision.taken_at)}."
    end

    # "Bearing worn, replace. BR-M16-230 ordered, not fitted yet"
    # @param job [Fenbo::JobFile::Job, nil] where it shall also be told that its work is done
    def fault_words(fault, job: nil)
      decided = fault.decision && "#{fault.decision.label}, #{Words::ACTIONS[fault.decision.action].downcase}"
      done = part_words(fault)&.upcase_first || (job && worked_words(job, fault))
      [decided, done, ("Did not prove" if fault.disproved?)].compact.join(". ")
    end

    # "Done Wed 2 Dec 02:24 by Ilka Torvend"; nil as long as something of its plan is open.
    def worked_words(job, fault)
      return unless fault.hands_on? && job.steps.any?
      last = Fenbo::WorkPlan::Progress.of(job, fault: fault.key, limits: Shop.limits, as: :part).last_done
      "Done #{day_clock(last.done_at)} by #{last.by.name}" if last
    end

    # Where what was decided wants no part: title, sentence, and where it goes on.
    # @return [Array(String, String, Array(String, String)), nil]
    def no_part_words(fault)
      return unless fault.without_part?
      sentence = "Decided: #{fault_words(fault)}."
      return ["Nothing to buy or take apart", sentence, %w[hand_over handover]] if fault.watched?
      ["Nothing to buy", sentence, %w[fit work]]
    end

    def disproved_words(fault)
      read = fault.after && ", the fan read #{measured_words(fault.after)}"
      "The repair alone did not prove#{read}: what was decided next follows."
    end

    # Fitted is only what somebody confirmed.
    def part_words(fault)
      thing = fault.part_choice&.thing or return nil
      what = "#{thing_words(fault.part_choice)} #{thing.part_no}"
      return "#{what} #{waiting_words(fault)}" unless fault.part_choice.fitted?
      "#{what} fitted #{day_clock(fault.part_choice.fitted_at)} by #{fault.part_choice.fitted_by&.name}"
    end

    def waiting_words(fault)
      if fault.standing == "ordered"
        return "from the van, not fitted yet" if fault.part_choice.from_van?
        return "here, not fitted yet" if fault.part_choice.here?
      end
      Words::PARTS.fetch(fault.standing, "chosen")
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

    # "saves 360 kWh and 100.80 € a year, paid back in 0.6 years"
    # @param row [Hash] as a choice keeps it
    def upgrade_words(row)
      paid = row["payback_years"].zero? ? "at no higher price" : "paid back in #{years_words(row["payback_years"])}"
      "saves #{row["saved_kwh"]} kWh and #{money(row["saved_cents"])} a year, #{paid}"
    end

    # What tips it: the hours it runs.
    def half_time_words(row)
      "Run half the hours, it is paid in #{years_words(row["payback_years"] * 2)}."
    end

    # What goes in, and what it gives.
    def power_words(motor)
      [motor.watts && amount(Fenbo::Quantities.tidy(motor.watts), "W"),
        motor.horsepower && "#{amount(*ShaftPower.shown(motor.horsepower))} at the shaft"]
    end

    # The old motor in a line, figures with their units.
    def old_motor_words(motor)
      tidy = ->(values) { values.map { |value| Fenbo::Quantities.tidy(value) }.join("/") }
      [h(motor_words(motor.family)), amount(tidy[motor.volts], "V"), amount(tidy[motor.amps], "A"),
        *power_words(motor), motor.rpm && amount(motor.rpm.to_i, "rpm"),
        motor.shaft_diameter_mm && "shaft #{h(show(motor.shaft_diameter_mm, "length"))}"].select(&:itself).join(", ")
    end
  end
end
