# frozen_string_literal: true

module Entries
  # A part that was chosen and goes in nowhere: back on its van, its order off. What is fitted
  # stays as it was.
  module NotWanted
    module_function

    def call(choice, book)
      return if choice.fitted_at
      VanPieces.put_back(choice, book)
      PartOrder.not_wanted(choice)
    end
  end
end
