# frozen_string_literal: true

module Fenbo
  module JobFile
    # A file kept beside the job: its name within the export, what it is, and its SHA-256
    # where that is known.
    StoredFile = Shape.of(name: String, mime_type: String, bytes: Integer, sha256: Shape.maybe(String))

    # A picture taken at a station, or at a step of the work plan.
    Photo = Entry.of(station: String, step: Shape.maybe(String), caption: Shape.maybe(String), file: StoredFile)
  end
end
