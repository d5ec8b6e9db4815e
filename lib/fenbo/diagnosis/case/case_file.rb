# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # The question put to `diagnose`.
    CaseFile =
      Value.of(
        :family, :side, :position, :motors, :age_band, :recent_work, :findings, :state, :minute_cost,
        :refrigerant, :complaint, :experience, :decided, contactors: nil
      ) do
        define_singleton_method(:read) do |input, limits = Limits.default|
          unit = input.object("unit")
          context = input.object("context", required: false)
          motors = read_motors(unit)
          position = read_position(input, motors)
          family = unit.choice("family", Knowledge.table("families").keys)
          new(
            family:,
            side: context.choice("side", SIDES, required: false) || side_of(position),
            position:,
            motors:,
            age_band: age_band(context.number("age_years", required: false, at_least: 0, at_most: 100)),
            recent_work: context.flag("recent_work", default: false) || false,
            findings: read_findings(input),
            state: input.choice("state", Diagnosis.rules["states"]["labels"].keys, required: false) || "L",
            minute_cost:
              input.object("cost", required: false).number("minute", required: false, above: 0, at_most: 10_000) ||
                Diagnosis.rules["cost_of_minute"],
            refrigerant: unit.text("refrigerant", required: false),
            contactors: unit.choice("contactors", Diagnosis.rules["contactors"].keys, required: false),
            complaint: Complaint.read(context),
            decided: Elsewhere.read(context, family, motors, limits),
            experience:
              input.given?("experience") ? Experience.read(input.object("experience"), limits) : Experience::NONE
          )
        end

        # The motor family of each fan position; a position without one is nil.
        define_singleton_method(:read_motors) do |unit|
          unit
            .objects("fans", required: false, at_most: 100)
            .to_h do |fan|
              motor = fan.object("motor", required: false)
              [fan.text("position", longest: 60), motor.choice("family", Electrical::FAMILIES, required: false)]
            end
        end

        define_singleton_method(:read_position) do |input, motors|
          position = input.text("position", required: false, longest: 60)
          return motors.keys.first if position.nil?
          return position if motors.empty? || motors.key?(position)
          input.fault("position", "is not one of this unit's fans: #{motors.keys.join(", ")}")
        end

        define_singleton_method(:read_findings) do |input|
          input
            .objects("findings", required: false, at_most: 500)
            .filter_map do |row|
              id = row.choice("test", Test.all.keys)
              outcome = id ? row.choice("outcome", Test[id].outcomes) : row.text("outcome")
              position = row.text("position", required: false, longest: 60)
              weights = read_weights(row, id)
              earlier = row.flag("earlier", default: false) || false
              just = row.flag("just", default: false) || false
              Finding.new(test_id: id, outcome:, position:, weights:, earlier:, just:) if id && outcome
            end
        end

        # Shares of a soft answer; they are taken relative to their sum.
        define_singleton_method(:read_weights) do |row, id|
          next nil unless id && row.given?("weights")
          table = row.object("weights")
          known =
            table.keys.to_h do |outcome|
              table.fault(outcome, "is no outcome of #{id}") unless Test[id].outcomes.include?(outcome)
              [outcome, table.number(outcome, at_least: 0, at_most: 1) || 0.0]
            end
          telling = known.reject { |outcome, _| Test[id].tells_nothing?(outcome) }
          next table.fault(nil, "needs a share above nothing") if known.values.sum.zero?
          telling.transform_values { |share| share / known.values.sum.to_f }.select { |_, share| share.positive? }
        end

        define_singleton_method(:side_of) { |position| SIDES.find { |side| position.to_s.start_with?(side) } }

        define_singleton_method(:age_band) do |years|
          bands = Diagnosis.rules["age_bands"]
          next nil if years.nil?
          next "young" if years < bands["young_below_years"]
          (years > bands["old_above_years"]) ? "old" : "middle"
        end

        def equipment
          Equipment.new(
            family:,
            side: side || Knowledge.table("families")[family]["sides"].first,
            motor: motors[position]
          )
        end

        # The latest answer to each question about this fan and the unit as a whole,
        # without those that tell nothing.
        def own_findings = telling.reverse.uniq(&:test_id).reverse

        # What all answers to each question say together, and what was complained of, but for what
        # another fan explains.
        def evidence = said.reject { |one| decided.explains(one) }

        # The answers that another fan explains.
        # @return [Array<Array(Evidence, Elsewhere::Fault)>]
        def explained
          said.reject(&:complaint?).filter_map { |one| (fault = decided.explains(one)) && [one, fault] }
        end

        # Findings about other fans: position => [Evidence].
        def neighbour_evidence
          elsewhere
            .group_by(&:position)
            .transform_values { |list| list.group_by(&:test_id).values.map { |answers| Evidence.of(answers) } }
        end

        # Answers to one question that disagree, and the last two of them too.
        def disagreements
          telling.group_by(&:test_id).values.select { |answers| answers.last(2).map(&:outcome).uniq.size > 1 }
        end

        # How often a test was made here and told nothing.
        def tries(test)
          findings.count { |finding| finding.test_id == test.id && own?(finding) && !finding.telling? }
        end

        # Whether it was answered often enough: twice alike, as often as anything is asked, or
        # just now.
        def settled?(test)
          given = telling.select { |finding| finding.test_id == test.id }
          answers = given.map(&:outcome)
          answers.size >= MOST_ANSWERS || (answers.size > 1 && answers.uniq.size == 1) || given.any?(&:just)
        end

        # Whether a test was answered in a way that does not fit the leading causes or a
        # rival of theirs, and may be answered once more.
        def doubtful?(test, posterior)
          one = posterior.evidence.find { |piece| piece.test == test && !piece.complaint? } or return false
          return false if settled?(test)
          rival = Diagnosis.rules["rival"]
          posterior.leading_numbers.each_with_index.any? do |h, rank|
            (rank.zero? || posterior.hypotheses[h] >= rival) && posterior.chance_under(h,
              one) < Diagnosis.rules["doubtful"]
          end
        end

        def neighbours? = neighbours.any?

        # Whether every neighbour was last seen standing, so that there is no fan at work beside it.
        def neighbours_stand?
          seen = findings.select { |one|
            one.test_id == "fan_motion" && one.telling?
          }.to_h { |one| [one.position, one] }
          neighbours.all? { |key| seen[key] && seen[key].test.turning?(seen[key].outcome) == false }
        end

        private

        # Places of the other fans on its side.
        def neighbours
          motors.keys.select { |key| key.start_with?(equipment.side) } - [position]
        end

        def own?(finding)
          finding.position.nil? || finding.position == position || finding.test.unit?
        end

        def telling
          findings.select { |finding| own?(finding) && finding.telling? }
        end

        def said
          telling.group_by(&:test_id).values.map { |answers| Evidence.of(answers) } + complaint.evidence(elsewhere)
        end

        # Of other fans.
        def elsewhere
          findings.select { |finding| !own?(finding) && finding.telling? }
        end
      end

    # A question is not asked more often than this.
    MOST_ANSWERS = 3
  end
end
