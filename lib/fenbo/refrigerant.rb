# frozen_string_literal: true

module Fenbo
  # The refrigerant ledger, for licensed people.
  #   Ledger   added and recovered by cylinder weight, and the leak rate a year
  module Refrigerant
    autoload :Ledger, "fenbo/refrigerant/ledger"
  end
end
