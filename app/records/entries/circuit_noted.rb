# frozen_string_literal: true

module Entries
  # A circuit of the unit with its full charge in kg; one known by `uid` is changed.
  CircuitNoted = Entry.of(:name, :refrigerant, :full_charge_kg, uid: nil) do
    def action = :move_refrigerant

    def against(book)
      row = circuit(book)
      return if row.valid?
      field, messages = row.errors.messages.first
      [field, messages.first]
    end

    def append(book) = circuit(book).tap(&:save!)

    private

    def circuit(book)
      unit = book.record.unit
      row = uid ? Circuit.find_by!(unit:, uid:) : Circuit.new(unit:)
      row.tap { row.assign_attributes(name:, refrigerant:, full_charge_kg:) }
    end
  end
end
