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
      "It tells #{WHETHER.fetch(told) { "of #{low(told)}" }}#{stays}."
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

    def stays
      return if fifths == 5
      named = told == @verdict && !WHETHER.key?(told)
      whose = named ? ", which" : "; #{STAYS.fetch(@verdict) { low(@verdict) }}"
      "#{whose} stays the likeliest in about #{fifths} of 5 cases"
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

    # What is said where it is no cause that is told of, or stays.
    WHETHER = {"healthy" => "whether anything is wrong", "none_of_these" => "whether it is something else"}.freeze
    STAYS = {"healthy" => "nothing wrong", "none_of_these" => "something else"}.freeze
    private_constant :WHETHER, :STAYS

    def low(cause) = Fenbo::Diagnosis.low(Fenbo::Diagnosis::Cause.label(cause))
  end
end
