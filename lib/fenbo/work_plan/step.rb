# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # One step of a plan. `reverses` is the id of the step it undoes, or nil;
    # `measure` is {what, label, kind} or nil; `fasteners` {kind, size, where}.
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
        removes: nil
      ) do
        def self.from(row, phase)
          new(
            id: row["id"],
            phase:,
            text: row["text"],
            caution: row.fetch("caution", []),
            fasteners: row["fasteners"],
            transfer: row["transfer"],
            measure: row["measure"],
            photo: row.fetch("photo", false),
            needs: row.fetch("needs", []),
            minutes: row.fetch("minutes", 0),
            removes: row["removes"]
          )
        end

        # The step that puts back what `row` took apart: its own words and cautions,
        # the same fasteners.
        def self.back(row)
          reverse = row["reverse"]
          new(
            id: "#{row["id"]}_back",
            phase: "back",
            text: reverse["text"],
            caution: reverse.fetch("caution", []),
            fasteners: row["fasteners"],
            measure: reverse["measure"],
            needs: row.fetch("needs", []),
            minutes: row.fetch("minutes", 0),
            reverses: row["id"]
          )
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
            reverses:
          }
        end
      end
  end
end
