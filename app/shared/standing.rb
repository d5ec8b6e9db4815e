# frozen_string_literal: true

module Shared
  # What Fenbo believes about one fan of a job, as the screens show it.
  class Standing
    Row = Fenbo::Value.of(:label, :percent, :because, :id)

    # How far one cause moved, in percent, at the latest finding.
    Move = Fenbo::Value.of(:label, :from, :to)
    # A change smaller than this is not worth a word, in percent.
    WORTH_SAYING = 2
    SHOWN = 4

    attr_reader :job, :position

    # @param without [Finding, nil] one to leave out
    def initialize(job, position, without: nil)
      @job = job
      @position = position
      @without = without
    end

    def result
      @result ||= Answered.of(:diagnose, case_of(@without).to_h)
    end

    def verdict = result.verdict

    def verdict_label = Fenbo::Diagnosis::Cause.label(verdict)

    # What the verdict comes of, where that is to be mended and is there with it: ice on a blade
    # of the defrost that failed.
    # @return [Fenbo::Diagnosis::Companion, nil]
    def origin
      Fenbo::Diagnosis::Companion.origin(verdict, result.sets.first.causes, position.side)
    end

    # What is to be decided, as far as Fenbo can tell.
    def proposed = origin&.second || verdict

    def proposed_label = Fenbo::Diagnosis::Cause.label(proposed)

    def decisive? = result.decisive

    def contradictions = result.contradictions

    # Everything that may be decided, the likeliest first, then what else a fan like this can have.
    # @return [Hash{String => Array<String>}] group => ids of causes
    def choices
      found = chances.sort_by { |id, chance| [-chance, id] }.map(&:first)
      others = Fenbo::Diagnosis::Cause.all.values.reject { |cause| found.include?(cause.id) }.sort_by(&:label)
      here, strange = others.partition { |cause| equipment.cause?(cause) }
      {"By what was found" => found, "Possible here too" => here.map(&:id),
       "Not expected on a fan like this" => strange.map(&:id)}.reject { |_, ids| ids.empty? }
    end

    # What usually comes with the leading causes, and how each stands.
    def companions = result.companions

    # What keeps a likely set from being decisive.
    def open_points = result.open

    # The likeliest set where it holds more than one cause, with its chance in percent.
    def together
      set = result.sets.first
      [set.causes, (set.probability * 100).round] if set.causes.size > 1
    end

    # Quick looks where one stands, once the first fault is sure: [[test, row]].
    def before_leaving
      @before_leaving ||= result.before_leaving.map { |row| [Fenbo::Diagnosis::Test[row.test], row] }
    end

    # Those that are answered by eye or ear alone, when there are several to take together.
    # @return [Array<Question>]
    def round
      list = before_leaving.map { |test, _| Question.new(job, position, test) }.select(&:by_eye?)
      (list.size > 1) ? list : []
    end

    def next_test
      row = result.next_tests.first
      row && Fenbo::Diagnosis::Test[row.test]
    end

    def next_row = result.next_tests.first

    # Why a test comes now, in a word: the first time, or once more.
    def occasion(row)
      return "Next" unless row.again
      "Once more, #{(contradictions.any? { |one| one.test == row.test }) ? "it does not fit" : "to be sure"}"
    end

    def other_next
      result.next_tests.drop(1).map { |row| [Fenbo::Diagnosis::Test[row.test], row] }
    end

    def withheld
      result.withheld.reject { |row| row.why == "answered already" }
    end

    # The latest finding on this fan or the unit, and what it moved most.
    def latest = @latest ||= findings.last

    def moves
      return [] unless latest
      before = Standing.new(job, position, without: latest)
      ids = (result.causes + before.result.causes).map { |row| row.id }.uniq
      all =
        ids.map do |id|
          Move.new(label: Fenbo::Diagnosis::Cause.label(id), from: before.percent_of(id), to: percent_of(id))
        end
      all.select { |move| (move.to - move.from).abs >= WORTH_SAYING }.max_by(3) { |move| (move.to - move.from).abs }
    end

    def percent_of(id)
      ((result.causes.find { |row| row.id == id }&.probability || 0) * 100).round
    end

    # What was found of the unit and is no sign of this fan, another's fault explaining it.
    def explained
      result.reasons.select { |reason| reason.rule == "diagnosis.unexplained" }.map(&:text)
    end

    # How many of the shop's closed jobs stand behind a cause's rate; nil while none do.
    def behind(id) = result.experience&.fetch(id, nil)

    # The likeliest causes, then "none of these", each with the findings that
    # speak for and against it.
    def rows
      @rows ||=
        begin
          top = result.causes.first(SHOWN).map { |row| row_of(row.id, row.probability) }
          top << row_of("healthy", result.healthy) if result.healthy >= 0.05
          top.sort_by { |row| -row.percent }.first(SHOWN) << row_of("none_of_these", result.none_of_these)
        end
    end

    # Whether a cause stands among `rows`, with its chance.
    def shown?(id) = rows.any? { |row| row.id == id }

    # How many tests tell something of this fan: its own and the unit's, as far as no other explains them.
    def findings_count
      telling = findings.reject { |one| Fenbo::Diagnosis::Test[one.test].tells_nothing?(one.outcome) }
      telling.uniq(&:test).size - explained.size
    end

    def ledger(id) = result.ledger[id] || []

    private

    def chances
      result.causes.to_h { |row| [row.id, row.probability] }
        .merge("healthy" => result.healthy, "none_of_these" => result.none_of_these)
    end

    def equipment
      Fenbo::Diagnosis::Equipment.new(family: job.unit.family, side: position.side, motor: position.motor&.family)
    end

    def findings
      @findings ||= job.live_findings.select { |finding| finding.about?(position.key) }
    end

    def case_of(without)
      Fenbo::Diagnosis::JobCase.new(job, position, now: Time.now, limits: Shop.limits, without:,
        experience: ShopExperience.experience,
        minute_cost: Setting.read("rate_per_hour_cents") / 6000.0)
    end

    def row_of(id, chance)
      Row.new(id:, label: Fenbo::Diagnosis::Cause.label(id), percent: (chance * 100).round, because: because(id))
    end

    def because(id)
      said = ledger(id).reject { |entry| entry.strength.start_with?("hardly") }.first(3)
      said
        .map do |entry|
          test = Fenbo::Diagnosis::Test[entry.test]
          said = entry.outcome ? test.label(entry.outcome).downcase : "as the customer says"
          "#{"but " if entry.factor < 1}#{test.short.downcase}: #{said}"
        end
        .join(" · ")
    end
  end
end
