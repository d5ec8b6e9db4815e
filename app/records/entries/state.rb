# frozen_string_literal: true

module Entries
  # How the unit stands from now on: L looking, P live, D made safe and proved dead, C cover
  # off. Who said so and when is kept.
  State = Entry.of(:state) do
    def against(_book)
      [:state, "Choose one of the states on the page."] unless Fenbo::Diagnosis::STATES.include?(state)
    end

    def append(book)
      book.record.update!(state:, state_at: book.now, state_by: book.user)
      book.record
    end
  end
end
