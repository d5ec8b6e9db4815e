# frozen_string_literal: true

module Fenbo
  module JobFile
    # Refrigerant added to a circuit or recovered from it: the cylinder and its weights in kg, and
    # how things stood at that moment. `on` is the day it was done, `job`
    # the uid of the job it was done on.
    RefrigerantMove = Entry.of(
      job: String, on: Date, kind: String, cylinder: String, before_kg: Float, after_kg: Float,
      fans_running: Shape.maybe(Integer),
      ambient_c: Shape.maybe(Float), sight_glass: Shape.maybe(String), note: Shape.maybe(String)
    ) do
      # What went in or came out, kg.
      def kg = (before_kg - after_kg).abs.round(3)

      def added? = kind == "added"
    end

    # Whether what was done against a leak holds.
    LeakCheck = Entry.of(job: String, on: Date, how: String, tight: Shape::FLAG, note: Shape.maybe(String))

    # A search for leaks: how and where, what was found, and what was tightened or replaced.
    LeakSearch = Entry.of(
      job: String, on: Date, how: String, place: String, found: Shape::FLAG, done: Shape.maybe(String),
      checks: [LeakCheck]
    ) do
      # A leak found stays open until somebody saw that it holds.
      def open?
        found && !voided? && checks.reject(&:voided?).last&.tight != true
      end
    end

    # One circuit of a unit with its ledger.
    Circuit = Shape.of(
      uid: String, name: String, refrigerant: Shape.maybe(String), full_charge_kg: Float, moves: [RefrigerantMove],
      leaks: [LeakSearch]
    ) do
      # By day, oldest first.
      def live_moves
        moves.reject(&:voided?).sort_by { |one| [one.on, one.taken_at] }
      end

      def live_leaks
        leaks.reject(&:voided?).sort_by { |one| [one.on, one.taken_at] }
      end

      def open_leaks = leaks.select(&:open?)

      # What the tool `refrigerant` takes.
      def question
        {"full_charge_kg" => full_charge_kg, "moves" => live_moves.map { |one|
          {"on" => one.on.iso8601, "kind" => one.kind, "before_kg" => one.before_kg, "after_kg" => one.after_kg}
        }}
      end
    end
  end
end
