# frozen_string_literal: true

module Services
  # What Fenbo believes about one fan of a job, as the screens show it.
  class Standing
    Row = Fenbo::Value.of(:label, :percent, :because, :id)

    attr_reader :job, :position

    def initialize(job, position)
      @job = job
      @position = position
    end

    def result
      @result ||= begin
        question = CaseBuilder.new(job, position).to_h
        StandingCache.fetch([question, Setting.read("limits")]) { Fenbo::Tools.call("diagnose", question, limits: Shop.limits) }
      end
    end

    def verdict = result.verdict

    def verdict_label = Fenbo::Diagnosis::Cause.label(verdict)

    def decisive? = result[:decisive]

    def contradictions = result[:contradictions]

    def next_test
      row = result[:next_tests].first
      row && Fenbo::Diagnosis::Test[row[:test]]
    end

    def next_row = result[:next_tests].first

    def other_next = result[:next_tests].drop(1).map { |row| [Fenbo::Diagnosis::Test[row[:test]], row] }

    def withheld = result[:withheld].reject { |row| row[:why] == "answered already" }

    # The likeliest causes, then "none of these", each with the findings that
    # speak for and against it.
    def rows(most = 4)
      top = result[:causes].first(most).map { |row| row_of(row[:id], row[:probability]) }
      top << row_of("healthy", result[:healthy]) if result[:healthy] >= 0.05
      top.sort_by { |row| -row.percent }.first(most) << row_of("none_of_these", result[:none_of_these])
    end

    # Findings that bear on this fan: its own and the unit's.
    def findings_count = CaseBuilder.new(job, position).findings.count { |finding| [nil, position.id].include?(finding.fan_position_id) }

    # Of the outcomes of the next test, how many in five settle the matter.
    def settles_in_five(row)
      (row[:outcomes].sum { |one| (one[:leads_to] == verdict) ? one[:chance] : 0 } * 5).round
    end

    def leads(row) = row[:outcomes].map { |one| [one[:outcome], Fenbo::Diagnosis::Cause.label(one[:leads_to]), one[:chance]] }

    def ledger(id) = result[:ledger][id] || []

    private

    def row_of(id, chance)
      Row.new(id:, label: Fenbo::Diagnosis::Cause.label(id), percent: (chance * 100).round, because: because(id))
    end

    def because(id)
      said = ledger(id).reject { |entry| entry[:strength].start_with?("hardly") }.first(3)
      said.map do |entry|
        test = Fenbo::Diagnosis::Test[entry[:test]]
        "#{"but " if entry[:factor] < 1}#{test.short.downcase}: #{test.label(entry[:outcome]).downcase}"
      end.join(" · ")
    end
  end
end
