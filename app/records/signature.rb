# frozen_string_literal: true

# One signature as it was given, with the work it was given for. Never changed: another one
# stands beside it.
class Signature < ApplicationRecord
  belongs_to :job
  belongs_to :user
end
