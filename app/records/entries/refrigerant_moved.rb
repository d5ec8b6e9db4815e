# frozen_string_literal: true

module Entries
  # Refrigerant added from a cylinder or recovered into it, by somebody who is licensed: weights
  # in kg, with the fans that ran, the ambient in °C and the sight glass at that moment.
  RefrigerantMoved =
    Entry.of(:id, :circuit, :on, :kind, :cylinder, :before_kg, :after_kg, fans_running: nil, ambient_c: nil,
      sight_glass: nil, note: nil) do
      def action = :move_refrigerant

      def known(book)
        ::RefrigerantMove.find_by(client_id: id, job: book.record)
      end

      def against(book)
        return [:on, "That day is still to come."] if on > book.now.to_date
        other = mixed(book)
        if other
          [:cylinder,
            "#{bottle.label} holds #{bottle.refrigerant}, this circuit #{other}: they are never mixed."]
        end
      end

      def append(book)
        row = ::RefrigerantMove.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit,
          user: book.user, circuit: place(book), cylinder: bottle, on:, kind:, before_kg:, after_kg:, fans_running:,
          ambient_c:, sight_glass:, note:)
        bottle.update!(refrigerant: place(book).refrigerant) if bottle.refrigerant.nil?
        row
      end

      # By how much the cylinder weighs else than when it was put back, kg; nil where that is
      # within its scale.
      def gap(book)
        before = bottle.refrigerant_moves.live.where.not(client_id: id).order(:on, :taken_at, :id).last or return
        off = (before_kg - before.after_kg).round(3)
        off if off.abs > book.limits["refrigerant.cylinder_gap"]
      end

      private

      def place(book) = Circuit.find_by!(unit: book.record.unit, uid: circuit)

      def bottle = Cylinder.called(cylinder)

      # What the circuit holds, where the cylinder holds something else.
      def mixed(book)
        ours, theirs = place(book).refrigerant, bottle.refrigerant
        return if ours.nil? || theirs.nil?
        names = [ours, theirs].map { |name| Fenbo::Refrigerant::Group.of(name)&.name || name.upcase.delete(" -") }
        ours if names.uniq.size > 1
      end
    end
end
