# frozen_string_literal: true

module Entries
  # One step of the work plan done: the gate first, every fastener counted out and back.
  # `fasteners` is a count, `measured` in SI.
  Step = Entry.of(:step, fasteners: nil, measured: nil) do
    def fault(book)
      plan = plan(book)
      row = plan&.steps&.find { |one| one.id == step }
      return [:step, "This step is not in the plan any more."] unless row
      gate_fault(plan, row) || count_fault(plan, row)
    end

    def append(book)
      row = WorkStep.find_or_initialize_by(job: book.record, step:)
      row.update!(user: book.user, done_at: book.now, fasteners:, measured:)
      finish(book) if Fenbo::WorkPlan::Progress.of(book.reread).finished?
      row
    rescue ActiveRecord::RecordNotUnique
      # The same tick twice at once: it is done.
      WorkStep.find_by!(job: book.record, step:)
    end

    private

    # The last step done, the motor sits where it was meant to.
    def finish(book)
      book.finish("fit")
      hand = book.job.fan_in_hand.key
      Fitted.new(fan: hand).append(book) if book.job.part_choice(hand)&.motor
    end

    def plan(book) = Fenbo::WorkPlan::Progress.of(book.job)

    def gate_fault(plan, row)
      return if plan.open?(row)
      [:step, "The safety gate comes first: #{plan.plan.gate.find { |one| !plan.done(one) }.text}"]
    end

    # As many go back as came out.
    def count_fault(plan, row)
      out = plan.taken_out(row)
      return unless row.phase == "back" && row.fasteners && out && fasteners != out
      [:fasteners, "#{out} came out, #{fasteners} went back. Find the difference before closing."]
    end
  end
end
