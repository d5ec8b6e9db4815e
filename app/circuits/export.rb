# frozen_string_literal: true

require "csv"

module Circuits
  # The ledger as CSV: a line a move, search and check, those taken back marked. Weights in kg.
  module Export
    HEADER = %w[
      unit circuit refrigerant full_charge_kg on what cylinder before_kg after_kg kg fans_running ambient_c sight_glass
      how place found tight note by licence taken_back
    ].freeze

    module_function

    # @param circuits [Array<Fenbo::JobFile::Circuit>]
    def of(unit, circuits)
      licences = User.where.not(licence: nil).pluck(:uid, :licence).to_h
      lines = circuits.flat_map { |circuit| rows(circuit).map { |row| named(unit, circuit).merge(row) } }
      lines.each { |row| row["licence"] = licences[row.delete("uid")] }
      CSV.generate(headers: HEADER,
        write_headers: true) { |csv|
        lines.each { |row|
          csv << row.values_at(*HEADER).map { |cell|
            Fenbo::SafeCell.out(cell)
          }
        }
      }
    end

    def named(unit, circuit)
      {"unit" => unit, "circuit" => circuit.name, "refrigerant" => circuit.refrigerant,
       "full_charge_kg" => circuit.full_charge_kg}
    end

    def rows(circuit)
      leaks = circuit.leaks.flat_map { |one| [search(one), *one.checks.map { |check| check(check, one) }] }
      [*circuit.moves.map { |one| move(one) }, *leaks].sort_by { |row| row["on"] }
    end

    def move(one)
      common(one, one.kind).merge("cylinder" => one.cylinder, "before_kg" => one.before_kg, "after_kg" => one.after_kg,
        "kg" => one.kg, "fans_running" => one.fans_running, "ambient_c" => one.ambient_c,
        "sight_glass" => one.sight_glass, "note" => one.note)
    end

    def search(one)
      common(one, "leak search").merge("how" => one.how, "place" => one.place, "found" => one.found, "note" => one.done)
    end

    def check(one, leak)
      common(one, "leak check").merge("how" => one.how, "place" => leak.place, "tight" => one.tight, "note" => one.note)
    end

    def common(one, what)
      {"on" => one.on.iso8601, "what" => what, "by" => one.by.name, "uid" => one.by.uid,
       "taken_back" => one.voided_at&.iso8601}
    end
  end
end
