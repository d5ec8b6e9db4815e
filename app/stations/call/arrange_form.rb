# frozen_string_literal: true

module Stations
  module Call
    # Who goes and when, another unit, or not at all.
    class ArrangeForm < Shared::Form
      def assign
        who = id(:technician) && User.in_the_field.find_by(id: id(:technician))
        fault(:technician, "Choose somebody who works in the field.") if who.nil? && !typed(:technician).empty?
        at = time(:at)
        fault(:at, "Whose visit is it? Choose somebody first.") if at && who.nil? && clean?
        fault(:at, "That is in the past.") if at && at < Time.now - 3600
        Entries::Assign.new(technician: who, at:) if clean?
      end

      def move(client_id)
        unit = id(:unit) && Unit.find_by(id: id(:unit))
        return fault(:unit, "Choose the unit it really is about.") unless unit
        Entries::Move.new(unit:, id: client_id)
      end

      def cancel = Entries::Cancel.new(reason: text(:reason, longest: 300).to_s)
    end
  end
end
