# frozen_string_literal: true

module Entries
  # The blade that goes with the chosen motor; none keeps the old one.
  Blade = Entry.of(:fault, :part_no) do
    def action = :decide

    def against(book)
      [:blade, "Choose the motor first; the blade goes with it."] unless book.choice(fault)
    end

    def append(book)
      book.choice(fault).update!(blade: part_no && ::Blade.find_by!(part_no:))
    end
  end
end
