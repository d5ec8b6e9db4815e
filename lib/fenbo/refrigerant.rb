# frozen_string_literal: true

module Fenbo
  # What is in the circuit, and the ledger of it, for licensed people.
  #   Group    a refrigerant by its name: what it does when it leaks
  #   Ledger   added and recovered by cylinder weight, and the leak rate a year
  module Refrigerant
    autoload :Charge, "fenbo/refrigerant/charge"
    autoload :Group, "fenbo/refrigerant/group"
    autoload :Ledger, "fenbo/refrigerant/ledger"
  end
end
