# frozen_string_literal: true

class ProofCheck < ApplicationRecord
  belongs_to :job
  belongs_to :user
end
