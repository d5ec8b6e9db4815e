# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # One step of a plan. `reverses` is the id of the step it undoes, or nil; `measure` is
    # {what, label, kind} or nil; `fasteners` {kind, size, where}; `removes` what comes off;
    # `shape` and `motion` how it is drawn; `proof` points ticked one by one; `shows` the
    # photo step whose pictures it needs; `quirks` whether this unit's own belong here;
    # `reads` the tool whose reading after the work is taken at it, or nil; `instead_of` the
    # steps that are left out for it.
    Step =
      Value.of(
        :id,
        :phase,
        :text,
        caution: [],
        fasteners: nil,
        transfer: nil,
        measure: nil,
        photo: false,
        needs: [],
        minutes: 0,
        reverses: nil,
        removes: nil,
        shape: nil,
        motion: nil,
        proof: [],
        shows: nil,
        quirks: false,
        reads: nil,
        instead_of: []
      ) do
        def self.from(row, phase)
          new(
            id: row["id"],
            phase:,
            text: row["text"],
            caution: row.fetch("caution", []),
            fasteners: row["fasteners"],
            transfer: row["transfer"],
            measure: measured(row["measure"]),
            photo: row.fetch("photo", false),
            needs: row.fetch("needs", []),
            minutes: row.fetch("minutes"),
            removes: row["removes"],
            shape: row["shape"],
            motion: row["motion"],
            proof: row.fetch("proof", []),
            quirks: row.fetch("quirks", false),
            reads: row["reads"],
            instead_of: row.fetch("instead_of", [])
          )
        end

        # The step that puts back what `row` took apart: its own words and cautions,
        # the same fasteners, the motion the other way.
        def self.back(row)
          reverse = row["reverse"]
          new(
            id: "#{row["id"]}_back",
            phase: "back",
            text: reverse["text"],
            caution: reverse.fetch("caution", []),
            fasteners: row["fasteners"],
            measure: measured(reverse["measure"]),
            needs: row.fetch("needs", []),
            minutes: reverse.fetch("minutes", row["minutes"]),
            reverses: row["id"],
            shape: row["shape"],
            motion: BACKWARDS[row["motion"]],
            shows: reverse["shows"]
          )
        end

        def self.measured(what)
          what && {"what" => what, **Recipe.shared["measures"].fetch(what)}
        end

        def to_h
          {
            id:,
            phase:,
            text:,
            caution:,
            fasteners:,
            transfer:,
            measure: measure && measure["label"],
            photo:,
            needs:,
            minutes:,
            reverses:,
            proof:
          }
        end
      end

    # The way back of each motion.
    BACKWARDS = {
      "out" => "in", "in" => "out", "up" => "down", "down" => "up", "left" => "right", "right" => "left",
      "turn" => "turn", "turn_left" => "turn_right", "turn_right" => "turn_left", "tilt" => "tilt_back"
    }.freeze
  end
end
