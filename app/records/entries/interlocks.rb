# frozen_string_literal: true

module Entries
  # What is not taken while the unit stands as it does: dead tests need it made safe and
  # proved dead, whoever sends the answer.
  module Interlocks
    module_function

    # @param test [Fenbo::Diagnosis::Test]
    # @param book [Logbook] its job is read only where it matters
    # @return [Array(Symbol, String), nil]
    def dead_test(test, book)
      return unless test.states == ["D"] && !dead?(book)
      [
        :dead,
        "#{test.short} is done on a unit that is disconnected, locked and proved dead. " \
          "Confirm that at the top of Measure, then answer."
      ]
    end

    # Ohms and microfarads are read on a dead unit only.
    def dead_reading(kind, question, book)
      return if !Fenbo::Electrical.dead?(kind, question) || dead?(book)
      [:dead, "Prove it dead first: disconnected, locked, tested. Confirm it at “The unit is”, then keep the reading."]
    end

    def dead?(book) = book.job.dead?(book.now, book.limits)
  end
end
