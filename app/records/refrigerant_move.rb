# frozen_string_literal: true

# Refrigerant added to a circuit from a cylinder, or recovered into it.
class RefrigerantMove < ApplicationRecord
  include Recorded

  belongs_to :circuit
  belongs_to :cylinder
end
