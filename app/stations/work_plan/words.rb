# frozen_string_literal: true

module Stations
  module WorkPlan
    # The work plan's own sentences.
    module Words
      # @param choice [Fenbo::JobFile::PartChoice]
      def spacer_words(choice)
        ", #{count(choice.spacers, "spacer")} under guard and ring" if choice.spacers.to_i.positive?
      end

      # What was counted and measured at a step that is done.
      def done_words(step, done)
        [done.fasteners && step.fasteners && count(done.fasteners, step.fasteners["kind"]),
          done.measured && step.measure && show(done.measured, step.measure["kind"])].compact
      end

      # @param out [Integer, nil] how many came out at the step it reverses
      def fastener_question(step, out)
        return "How many came out" unless step.phase == "back"
        ["How many went back", out && "#{out} came out"].compact.join(", ")
      end

      # Families with a plan, for where this one has none.
      def families_with_plan
        Fenbo::WorkPlan::Plan.families.map { |id| Fenbo::Knowledge.table("families")[id]["label"].downcase }
          .join(" and ")
      end
    end
  end
end
