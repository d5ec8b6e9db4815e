# frozen_string_literal: true

module Catalogue
  # Long work on a catalogue file, beside the request that asked for it. The state lives in
  # the import's own row, so that any process can show it and a killed one be done again.
  module Work
    module_function

    def look(import) = start(import) { LookThrough.new(import).run }

    # Only what was looked through, is whole and free of faults; a second press finds it gone.
    def take(import)
      unless CatalogueImport.where(id: import.id, state: "checked", faulty: 0).update_all(
        state: "taking",
        beat_at: Time.now
      ) == 1
        return false
      end
      start(import.reload) { Take.new(import).then { |work| work.run && work.settle } }
      true
    end

    def start(import)
      Thread.new { ActiveRecord::Base.connection_pool.with_connection { guarded(import) { yield } } }
    end

    # What went wrong is said on the import's page; nothing of it is half done.
    def guarded(import)
      yield
    rescue => problem
      warn "catalogue import #{import.id}: #{problem.class}: #{problem.message.lines.first}"
      CatalogueImport
        .where(id: import.id)
        .where.not(state: "taken")
        .update_all(
          state: "broken",
          message: "It broke off: #{problem.message.lines.first.to_s.strip[0, 300]}. Nothing was changed."
        )
    end
  end
end
