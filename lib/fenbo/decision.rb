# frozen_string_literal: true

module Fenbo
  # What money says beside the fault: the next motor of a bank, repair or a new unit.
  #   Agreed     what of it nobody has put on the job yet
  #   Approval   what a customer has said yes to
  #   Quote      what is asked of a customer
  #   Neighbour  change it now, while somebody is here, or when it fails
  #   Replace    repair the unit or replace it, by what each costs a year
  module Decision
    autoload :Agreed, "fenbo/decision/agreed"
    autoload :Approval, "fenbo/decision/approval"
    autoload :Neighbour, "fenbo/decision/neighbour"
    autoload :Quote, "fenbo/decision/quote"
    autoload :Replace, "fenbo/decision/replace"

    MONEY = {at_least: 0, at_most: 1_000_000_000}.freeze
  end
end
