# frozen_string_literal: true

module Demo
  # The refrigerant ledger of a demo job, its last entry at `moment`.
  class CircuitMaker
    def initialize(job, visit, moment)
      @job = job
      @about = {job:, visit:, user: User.find_by!(login: "pavo"), taken_at: moment, on: moment.to_date}
    end

    def make(rows) = rows.each { |row| ledger(circuit(row), row) }

    private

    def circuit(row)
      unit = @job.unit
      unit.circuits.find_or_create_by!(name: row["name"]) do |one|
        one.assign_attributes(refrigerant: unit.refrigerant, full_charge_kg: row["charge"])
      end
    end

    def ledger(circuit, row)
      row.fetch("moves", []).each { |move| move(circuit, *move) }
      row.fetch("leaks", []).each { |leak| leak(circuit, *leak) }
    end

    def move(circuit, kind, label, before, after, fans, ambient, glass)
      cylinder = Cylinder.called(label)
      cylinder.update!(refrigerant: circuit.refrigerant)
      RefrigerantMove.create!(**entry, circuit:, cylinder:, kind:, before_kg: before, after_kg: after,
        fans_running: fans, ambient_c: ambient, sight_glass: glass)
    end

    def leak(circuit, how, place, found, done, tight = nil)
      leak_search = LeakSearch.create!(**entry, circuit:, how:, place:, found:, done:)
      LeakCheck.create!(**entry, leak_search:, how:, tight:) unless tight.nil?
    end

    def entry = {client_id: SecureRandom.uuid, **@about}
  end
end
