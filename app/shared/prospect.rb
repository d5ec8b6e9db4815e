# frozen_string_literal: true

module Shared
  # What a proposed test would tell, in words: whether its answers part the causes, and what each
  # of them would change.
  class Prospect
    # A cause that moves by less is not worth a word.
    WORTH_SAYING = 0.05

    # @param row a proposal of diagnose
    # @param verdict [String] what leads now
    def initialize(row, verdict)
      @row = row
      @verdict = verdict
    end

    # In a sentence; nil where nothing leads yet.
    def words
      return nil if @verdict == "undetermined" || fifths.zero?
      return "It confirms #{subject(@verdict)} in about #{fifths} of 5 cases." unless fifths == 5
      (told == @verdict) ? "It shows how sure it is: #{subject(@verdict)}." : "It tells of #{subject(told)}."
    end

    # @return [Array] of [outcome, chance, words]
    def answers
      @row.outcomes.map { |one| [one.outcome, one.chance, change(one)] }
    end

    private

    # Of the answers, how many in five leave the same cause leading.
    def fifths
      @fifths ||= (@row.outcomes.sum { |one| (one.leads_to == @verdict) ? one.chance : 0 } * 5).round
    end

    # The cause that the answers are expected to move most.
    def told
      @row.outcomes.group_by { |one| one.moves.cause }
        .max_by { |_, all| all.sum { |one| one.chance * (one.moves.to - one.moves.from).abs } }
        .first
    end

    def change(one)
      leads, moves = "#{low(one.leads_to)} leads", one.moves
      return leads if (moves.to - moves.from).abs < WORTH_SAYING
      leads += ", #{low(moves.cause)}" unless moves.cause == one.leads_to
      "#{leads} #{percent(moves.from)} → #{percent(moves.to)} %"
    end

    def percent(chance) = (chance * 100).round

    # What is said of a cause, or of none.
    SUBJECTS = {"healthy" => "nothing being wrong", "none_of_these" => "something else being wrong"}.freeze
    private_constant :SUBJECTS

    def subject(cause) = SUBJECTS.fetch(cause) { low(cause) }

    def low(cause) = Fenbo::Diagnosis.low(Fenbo::Diagnosis::Cause.label(cause))
  end
end
