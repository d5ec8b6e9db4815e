# frozen_string_literal: true

module Week
  # When, and whose.
  class MoveForm < Shared::Form
    # @return [Hash, nil] nil with faults
    def read
      at = time(:at)
      fault(:at, "When?") if at.nil? && clean?
      technician = id(:technician) && User.in_the_field.find_by(id: id(:technician))
      fault(:technician, "Who goes?") if technician.nil?
      {at:, technician:} if clean?
    end
  end
end
