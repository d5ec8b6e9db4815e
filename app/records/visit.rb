# frozen_string_literal: true

class Visit < ApplicationRecord
  include Audited

  belongs_to :job
  belongs_to :technician, class_name: "User"
end
