# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # The plan for one family and task, with this unit's features.
    #
    # in:  family, task, features {id: value}
    # out: minutes, tools, safety_gate, steps in order, transfers
    # Every step that removes something is reversed by exactly one back step, in
    # reverse order. Source: install/plans.
    class Plan < Tool
      Question = Value.of(:family, :task, :features)

      def self.families = Knowledge.table("plans").keys

      # The features asked for a family: id => {"ask", "flag" or "choices"}.
      def self.features(family)
        Knowledge.table("plans").dig(family, "features") || {}
      end

      def self.read(input, _limits)
        family = input.choice("family", Knowledge.table("families").keys)
        plan = Knowledge.table("plans")[family]
        input.fault("family", "has no work plan yet; there is one for #{families.join(", ")}") if family && plan.nil?
        task = input.choice("task", TASKS)
        if plan && task && !plan["tasks"].key?(task)
          input.fault("task", "is not in this plan; it serves #{plan["tasks"].keys.join(", ")}")
        end
        Question.new(
          family:,
          task:,
          features: plan ? read_features(input.object("features", required: false), plan["features"]) : {}
        )
      end

      def self.read_features(input, asked)
        asked.to_h do |id, feature|
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
            minutes:,
            tools:,
            safety_gate: gate.map(&:to_h),
            steps: steps.map(&:to_h),
            transfers:
          },
          reasons:
        )
      end

      def title = plan["title"]

      def minutes = plan["tasks"][question.task]

      def gate = @gate ||= rows("gate").map { |row| Step.from(row, "safe") }

      def steps
        @steps ||= gate + forward("apart") + forward("exchange") + back + forward("prove")
      end

      def tools = steps.flat_map(&:needs).uniq

      def transfers = steps.filter_map(&:transfer).uniq

      private

      def plan = Knowledge.table("plans")[question.family]

      def forward(phase) = rows(phase).map { |row| Step.from(row, phase) }

      def back
        rows("apart").select { |row| row["reverse"] }.reverse.map { |row| Step.back(row) }
      end

      def rows(phase) = plan[phase].select { |row| wanted?(row) }

      def wanted?(row)
        return false if row["only_for"] && !row["only_for"].include?(question.task)
        holds?(row.fetch("only_if", {})) && !(row["unless"] && holds?(row["unless"]))
      end

      def holds?(conditions)
        conditions.all? { |feature, value| question.features[feature] == value }
      end

      def reasons
        [
          reason("#{title}: usually about #{minutes} min", "plan.minutes", value: minutes, source: "install/plans"),
          reason("The safety gate comes first and cannot be skipped", "plan.gate", source: "work/hazards"),
          (
            if question.features["flammable"]
              reason("Hardened for a flammable refrigerant", "plan.flammable", source: "work/hazards")
            end
          )
        ].compact
      end
    end
  end
end
