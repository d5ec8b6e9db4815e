# frozen_string_literal: true

module Stations
  module WorkPlan
    # The work plan's own sentences and drawings.
    module Words
      def task_words(task) = Shared::Words::TASKS.fetch(task)

      # "Motor and cleaning"
      def joined_words(plan)
        Shared::Words.tasks(plan.joined).upcase_first
      end

      def plan_path(plan)
        "/jobs/#{job.number}/fit?fan=#{spot(plan.fault)}&task=#{plan.task}#{"&alone=1" if plan.apart?}"
      end

      # The plan of a task at this fan, for the fault that asks for it, else for the one in hand.
      def task_path(plan, task)
        work = Fenbo::WorkPlan::Opening.new(job, plan.fault).by_task(task)
        "/jobs/#{job.number}/fit?fan=#{spot(work ? work.fault : plan.fault)}&task=#{task}"
      end

      def print_path(plan) = plan_path(plan).sub("/fit?", "/fit/print?")

      # Whether an opening is as far as its cleaning, so that its record is at hand.
      def cleaned_now?(step)
        step.nil? || %w[exchange prove].include?(step.phase)
      end

      # Whether nobody laid hands on it in the opening it is part of.
      def may_part?(plan, work)
        !plan.unlocked? && !Fenbo::WorkPlan::Opening.new(job, work.fault).done_in?(work, plan.works.first)
      end

      # A work of an opening by itself; its first tick keeps it so.
      def alone_path(work)
        "/jobs/#{job.number}/fit?fan=#{spot(work.fault)}&task=#{work.task}&alone=1"
      end

      # "one opening for both, 23 min less than one after the other"
      def joint_words(plan)
        "one opening for #{(plan.joined.size == 2) ? "both" : "all"}, #{plan.plan.saved_minutes} min less " \
          "than one after the other"
      end

      # "12 done, about 45 min in all, 34 to 68"
      def whole_words(plan)
        "#{plan.done_count} done, about #{plan.minutes} min in all, #{plan.plan.minutes_range.join(" to ")}"
      end

      # "3 × screw, 6.35 mm (¼ in) hex, in the guard"
      def tray_words(step, left)
        "#{left} × #{step.fasteners["kind"]}, #{step.fasteners["size"]}, #{step.fasteners["where"]}"
      end

      # Where the parts of a step's drawing sit on the unit; what is left out sits at the fan.
      PLACES = {"coil" => "coil", "heater" => "coil", "pan" => "drain", "filter" => "coil", "gasket" => "door",
                "switch" => "door", "rack" => "door", "lock" => "supply", "contactor" => "supply", "box" => "supply",
                "plug" => "supply"}.freeze
      AT_FAN = "fan"

      # The step drawn.
      def scene(plan, step) = Scene.new(plan, step).svg

      # The unit with the part of this step lit.
      def where(plan, step)
        lit = PLACES.fetch(step.shape, AT_FAN) if step.shape
        lit = "condenser" if lit == "coil" && plan.fan.side == "condenser"
        plate(job.unit, hand: plan.fan, lit:)
      end

      def phase_words(phase) = Shared::Words::PHASES[phase]

      # "taking apart · 7 of 31"
      def place_words(plan, step)
        [step ? phase_words(step.phase).downcase : "done",
          "#{step ? plan.steps.index(step) + 1 : plan.steps.size} of #{plan.steps.size}"].join(" · ")
      end

      # Tools and minutes, before the step's own sentence.
      def step_head(step)
        ["#{step.minutes} min", *step.needs].join(" · ")
      end

      # @param choice [Fenbo::JobFile::PartChoice]
      def spacer_words(choice)
        ", #{count(choice.spacers, "spacer")} under guard and ring" if choice.spacers.to_i.positive?
      end

      # What was counted, measured, noted or left out at a step that is done.
      def done_words(step, done)
        return ["left out: #{done.note}"] if done.skipped?
        [done.fasteners && step.fasteners && "#{done.fasteners} × #{step.fasteners["kind"]}",
          done.measured && step.measure && show(done.measured, step.measure["kind"]), done.note].compact
      end

      # @param out [Integer, nil] how many came out at the step it reverses
      def fastener_question(step, out)
        kind = [step.fasteners["kind"], step.fasteners["size"]].join(", ")
        return "Out: #{kind}" unless step.phase == "back"
        ["Back: #{kind}", out && "#{out} came out"].compact.join(" · ")
      end

      # Letters for the places of the tray, in the order things came out.
      def tray_letter(index) = ("A".ord + index % 26).chr

      # What a measure should come to, before it is taken.
      SOUGHT = {"new_seat" => "The old one sat at", "capacitor" => "The plate asks for",
                "heater_ohms" => "Volts and watts make", "drain_gap" => "It should be about"}.freeze

      # What to do where it is off.
      OTHERWISE = {
        "capacitor" => "not this one. Measure again, bled and disconnected, or take another.",
        "heater_ohms" => "not this one. Measure again, unplugged, or take another.",
        "drain_gap" => "lift or lower the tube, water rises in one that touches."
      }.freeze

      # By how much what was measured is not as it should be, in words; nil where it is.
      # @param sought [Fenbo::WorkPlan::Sought, nil]
      def off_words(sought, measured, kind)
        off = sought&.off(measured) or return
        if OTHERWISE[sought.what]
          return "#{show(measured,
            kind)} for #{show(sought.value, kind)}: #{OTHERWISE[sought.what]}"
        end
        "Set #{show(off.abs.round(1),
          "length")} #{off.positive? ? "farther out" : "deeper"}: look whether it still clears."
      end

      def feature_words(choice) = choice.tr("_", " ")
    end
  end
end
