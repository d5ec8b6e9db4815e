# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # The plan for one family and task, with this unit's features.
    #
    # in:  family, task, also (further tasks in the same opening), features {id: value}, side
    #      (where a unit has two and the task does not say), extra_work (ids of adaptations, or
    #      {id, text, minutes})
    # out: minutes with a range, tools, safety_gate, steps in order, transfers
    # Every step that removes something is reversed by exactly one back step, in
    # reverse order. Source: install/plans.
    class Plan < Tool
      Question = Value.of(:family, :task, :features, side: nil, also: [], extra_work: []) do
        def tasks = [task, *also]
      end

      def self.families = Recipe.families

      # The features asked for a family: id => {"ask", "flag" or "choices"}.
      def self.features(family) = Recipe.of(family).features

      # Those of them that change something about these tasks.
      # @param tasks [Array<String>]
      # @param side [String]
      # @param extra_work [Array] as the part asks for it
      def self.features_for(family, tasks, side, extra_work = [])
        recipe = Recipe.of(family)
        replaced = ExtraWork.read(Input.new({"extra_work" => extra_work}), Limits.default).flat_map(&:instead_of)
        rows = recipe.all_rows.reject { |row| replaced.include?(row["id"]) }
        recipe.features.slice(*tasks.flat_map { |task|
          wanted = Wanted.new(task, side, {})
          rows.flat_map { |row| wanted.features_of(row) }
        })
      end

      def self.read(input, limits)
        family = input.choice("family", families)
        recipe = family && Recipe.of(family)
        task = input.choice("task", TASKS)
        also = read_also(input) - [task]
        {"task" => [task].compact, "also" => also}.each { |name, tasks| served(input, name, tasks, recipe) if recipe }
        Question.new(family:, task:, also:, side: read_side(input, family),
          features: recipe ? read_features(input.object("features", required: false), recipe) : {},
          extra_work: ExtraWork.read(input, limits))
      end

      def self.read_also(input)
        list = input.raw("also") || []
        return list.uniq if list.is_a?(Array) && (list - TASKS).empty?
        input.fault("also", "must be a list of #{TASKS.join(", ")}") || []
      end

      def self.served(input, name, tasks, recipe)
        strange = tasks - recipe.tasks.keys
        return if strange.empty?
        input.fault(name, "is not in this plan; it serves #{recipe.tasks.keys.join(", ")}")
      end

      def self.read_side(input, family)
        return nil unless family
        sides = Knowledge.table("families")[family]["sides"]
        input.choice("side", sides, required: false) || sides.first
      end

      def self.read_features(input, recipe)
        recipe.features.to_h do |id, feature|
          given =
            if feature.key?("flag")
              input.flag(id, default: feature["flag"])
            else
              input.choice(id, feature["choices"], required: false)
            end
          [id, given.nil? ? feature["choices"]&.first : given]
        end
      end

      def answer
        Result.new(
          verdict: "plan",
          figures: {
            minutes:, minutes_range:, tools:, safety_gate: gate.map(&:to_h), steps: steps.map(&:to_h), transfers:
          },
          reasons:
        )
      end

      def title = recipe.title

      # As the steps add up, both ways, with the extra work.
      def minutes = steps.sum(&:minutes)

      # From a good day to a bad one.
      def minutes_range
        %w[quick slow].map { |day| (minutes * limits["work_plan.#{day}"]).round }
      end

      def extra_minutes = question.extra_work.sum(&:minutes)

      # Minutes that one opening for all of it saves.
      def saved_minutes
        @saved_minutes ||= question.tasks.sum { |task| alone([task]).minutes } - alone(question.tasks).minutes
      end

      def gate = @gate ||= forward("gate", "safe")

      def steps
        @steps ||= gate + forward("apart") + forward("exchange") + extra("exchange") + back + forward("prove") +
          extra("prove")
      end

      def tools = steps.flat_map(&:needs).uniq

      def transfers = steps.filter_map(&:transfer).uniq

      private

      def recipe = @recipe ||= Recipe.of(question.family)

      def wanted
        @wanted ||= question.tasks.map { |task| Wanted.new(task, question.side, question.features) }
      end

      # One row serves every task that wants it, and none that another one has a row for.
      def rows(phase)
        recipe.rows(phase).select do |row|
          wanted.any? { |one| one.call(row) } && (Wanted.tasks(row.fetch("not_with", [])) & question.tasks).empty? &&
            !replaced.include?(row["id"])
        end
      end

      # Steps that the extra work does better.
      def replaced = @replaced ||= question.extra_work.flat_map(&:instead_of)

      def forward(phase, as = phase)
        rows(phase).reject { |row| row["back_only"] }.map { |row| Step.from(row, as) }
      end

      # Some rows have nothing to put back; some belong to the way back alone.
      def back
        rows("apart").reverse.filter_map do |row|
          next Step.from(row, "back") if row["back_only"]
          Step.back(row) if row["reverse"]
        end
      end

      # The plan of these tasks without what the part adds.
      def alone(tasks)
        return self if tasks == question.tasks && question.extra_work.empty?
        Plan.new(question.class.new(**question.to_h, task: tasks.first, also: tasks.drop(1), extra_work: []), limits)
      end

      def extra(phase)
        question.extra_work.select { |step| step.phase == phase }
      end

      def reasons
        [
          reason("#{title}: usually about #{minutes} min, #{minutes_range.join(" to ")}", "plan.minutes",
            value: minutes, source: "install/plans"),
          reason("The safety gate comes first and cannot be skipped", "plan.gate", source: "work/hazards"),
          (joint_reason if question.also.any?),
          (extra_reason if question.extra_work.any?),
          (hardened if question.features["flammable"])
        ].compact
      end

      def joint_reason
        reason("Done in one opening: #{saved_minutes} min less than one after the other", "plan.joint",
          value: saved_minutes, source: "install/plans")
      end

      def extra_reason
        reason("#{extra_minutes} min of it are extra work for this part", "plan.extra_work", value: extra_minutes,
          source: "motors/work")
      end

      def hardened
        reason("Hardened for a flammable refrigerant", "plan.flammable", source: "work/hazards")
      end
    end
  end
end
