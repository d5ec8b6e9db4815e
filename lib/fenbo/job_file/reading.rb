# frozen_string_literal: true

module Fenbo
  module JobFile
    # Figures read off an instrument (`kind`, a tool's name), before or after the work:
    # as typed, as asked of the core, and what it said. `meter` is the accuracy of the
    # meter it was read with, `file` a recording kept beside the job.
    Reading =
      Entry.of(
        kind: String,
        phase: String,
        typed: Hash,
        question: Hash,
        result: Hash,
        verdict: Shape.maybe(String),
        meter: Shape.maybe(Hash),
        file: Shape.maybe(StoredFile)
      ) do
        # What the core said, with readers: `reading.answer.legs.first.amps`; nil where today's
        # core cannot read what it said then.
        def answer = Tools.kept(kind, result)

        def before? = phase == "before"

        def after? = phase == "after"

        # The reasons of the verdict, each with rule, limit, value and source.
        # @return [Array<Reason>]
        def reasons
          (result["reasons"] || []).map do |row|
            Reason.new(
              text: row["text"],
              rule: row["rule"],
              limit: row["limit"],
              value: row["value"],
              source: row["source"]
            )
          end
        end
      end
  end
end
