# frozen_string_literal: true

module Entries
  # One step of a fault's work plan done: the gate first, every fastener counted out and back.
  # `fasteners` is a count, `measured` in SI; `proof` the points ticked of a step that has
  # some. What was done otherwise, or left out (`skipped`), says why in `note`.
  Step = Entry.of(:fault, :task, :step, fasteners: nil, measured: nil, proof: [], note: nil, skipped: false) do
    def against(book)
      plan = plan(book, now: book.now)
      row = plan.step(step)
      return [:step, "This step is not in the plan any more."] unless row
      gate_fault(plan,
        row) || approval_fault(book, row) || proof_fault(row) || skip_fault(row) || count_fault(plan, row)
    end

    def append(book)
      book.visit
      row = WorkStep.transaction(requires_new: true) { keep(book) }
      stand(book)
      after = plan(book, reread: true)
      finish(book, after) if after.finished?
      row
    rescue ActiveRecord::RecordNotUnique
      # The same tick twice at once: it is done.
      WorkStep.find_by!(place(book))
    end

    private

    def place(book)
      one = book.job.fault_at(fault)
      {job: book.record, fan_position: book.fan(one.fan.key), fault: one.key, task:, step:}
    end

    # A gate passed again on another day keeps its first tick in the audit trail.
    def keep(book)
      row = WorkStep.find_or_initialize_by(place(book))
      note_earlier(book, row) if row.persisted?
      row.update!(user: book.user, done_at: book.now, fasteners:, measured:, note:, skipped:)
      row
    end

    def note_earlier(book, row)
      AuditEntry.create!(user: book.user, action: "ticked again", record_type: "WorkStep", record_id: row.id,
        changes_made: row.attributes, created_at: book.now)
    end

    # Proved dead along the plan is proved dead for the whole job; power on ends it.
    def stand(book)
      state = {"proved_dead" => "D", "power_on" => "P", "plugged_in" => "P"}[step]
      State.new(state:).append(book) if state && !skipped
    end

    # The last step done, the chosen parts sit where they were meant to, if this was their plan;
    # the station is done when what was decided along with it is, too.
    def finish(book, plan)
      book.finish("fit") unless plan.next_along
      plan.parts.fitting.each { |key| Fitted.new(fault: key).append(book) }
    end

    def plan(book, reread: false, now: nil)
      job = reread ? book.reread : book.job
      Fenbo::WorkPlan::Progress.of(job, fault:, task:, limits: book.limits, now:)
    end

    def gate_fault(plan, row)
      wait = plan.waits_for(row) or return elsewhere_fault(plan, row)
      first = (wait.phase == "safe") ? "The safety gate comes first" : "First"
      [:step, "#{first}: #{wait.text}"]
    end

    # One switch feeds the whole unit.
    def elsewhere_fault(plan, row)
      other = plan.waiting.elsewhere(row) or return
      [:step, "#{other.fan.long_label} is apart: what came off there goes back before power does."]
    end

    # Nothing comes apart that somebody has to say yes to first.
    def approval_fault(book, row)
      return if row.phase == "safe"
      approval = Fenbo::Decision::Approval.new(book.job)
      [:step, Approvals.sentence(approval)] if approval.asks_with?
    end

    def proof_fault(row)
      return if (0...row.proof.size).all? { |index| proof.include?(index) }
      [:proof, "All #{row.proof.size} points, one after the other: the tester is proved before and after."]
    end

    def skip_fault(row)
      return unless skipped
      return [:skipped, "The safety gate cannot be left out."] if row.phase == "safe"
      [:note, "Say why it is left out."] if note.nil?
    end

    # What comes out is counted; as many go back as came out, or somebody says why not.
    def count_fault(plan, row)
      return none_fault(row) if row.phase == "apart"
      out = plan.tray.taken_out(row)
      return unless row.phase == "back" && row.fasteners && out && !skipped && note.nil? && fasteners != out
      [:fasteners, "#{out} came out, #{fasteners} went back. Find the difference, or say in the note why."]
    end

    def none_fault(row)
      return unless row.fasteners && fasteners&.zero? && !skipped && note.nil?
      [:fasteners, "How many came out? Tap each one into the tray; none at all, say in the note why."]
    end
  end
end
