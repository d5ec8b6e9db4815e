# frozen_string_literal: true

module Entries
  # The blade that goes with the chosen motor; none keeps the old one.
  Blade = Entry.of(:fan, :part_no) do
    def action = :decide

    def fault(book)
      [:blade, "Choose the motor first; the blade goes with it."] unless book.record.part_choice(book.fan(fan))
    end

    def append(book)
      book.record.part_choice(book.fan(fan)).update!(blade: part_no && ::Blade.find_by!(part_no:))
    end
  end
end
