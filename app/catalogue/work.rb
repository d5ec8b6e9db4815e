# frozen_string_literal: true

module Catalogue
  # Long work on a catalogue file, beside the request that asked for it. The file and its
  # state lie in the import's own row, the work in the queue: a killed process loses neither.
  class Work < WorkQueue::Work
    class << self
      def look(import)
        import.update!(state: "waiting", message: nil)
        Look.enqueue(import.id)
      end

      # Only what was looked through, is whole and free of faults; a second press finds it gone.
      def take(import)
        CatalogueImport.transaction do
          ready = CatalogueImport.where(id: import.id, state: "checked", faulty: 0)
          next false unless ready.update_all(state: "taking", beat_at: Time.now) == 1
          TakeIn.enqueue(import.id)
          true
        end
      end
    end

    # Looks it through.
    class Look < self
      def run(id)
        with(id) { |import| LookThrough.new(import).run }
      end
    end

    # Takes it in; one that was taken before the process died only has to be tidied after.
    class TakeIn < self
      def run(id)
        with(id) do |import|
          work = Take.new(import)
          work.run unless import.state == "taken"
          work.settle
        end
      end
    end

    private

    def with(id)
      import = CatalogueImport.find_by(id:)
      # Dropped meanwhile.
      yield import if import
    end

    # What went wrong is said on the import's page; nothing of it is half done.
    def handle_error(problem)
      why = problem.message.lines.first.to_s.strip[0, 300]
      warn "catalogue import #{que_attrs[:args].first}: #{problem.class}: #{why}"
      CatalogueImport.where(id: que_attrs[:args].first).where.not(state: "taken").update_all(
        last_try? ? {state: "broken", message: "It broke off: #{why}. Nothing was changed."} :
          {message: "It broke off: #{why}. It is tried again by itself."}
      )
      super
    end
  end
end
