# frozen_string_literal: true

module Shared
  # What every route answers where something stands against a request: old pages, other
  # people's changes, roles, a full disk, and whatever nobody thought of.
  module Refusals
    # What is told of what went wrong on our side.
    module Told
      private

      # A fault of our own, told plainly and written down.
      def broke(problem)
        env["rack.errors"].puts "#{problem.class}: #{problem.message[0, 500]}", problem.backtrace.first(12)
        refuse(500, "Something broke on our side",
          "Nothing recorded is lost. Go back and try again; if it breaks again, tell the office what you did.")
      end

      def store_away(problem)
        env["rack.errors"].puts "file store away: #{problem.class}: #{problem.message[0, 200]}"
        headers "Retry-After" => "5"
        refuse(503, "Photos and recordings are away",
          "Everything recorded so far is safe. A photo or recording that you just sent was not taken: go back and " \
          "send it again in a moment. All else can be done meanwhile.")
      end
    end

    # @param route [Class] the base of all routes
    def self.registered(route)
      route.include(Told)
      # Looked at, an address that only takes forms leads to where its form is.
      route.error Sinatra::NotFound do
        takes = looking? && !is_a?(Nowhere) && (self.class.routes["POST"] || []).any? { |pattern, *|
          pattern.match(request.path_info)
        }
        redirect to(FormPages.page_of(request.path_info)), 303 if takes
        halt(*nothing_here)
      end

      # A page that is older than what stands now.
      route.error Logbook::Refused do |problem|
        halt(*refuse(422, "That was not taken", problem.message))
      end

      route.error NotAllowed do |problem|
        halt(*refuse(403, "Not with your role", problem.message))
      end

      route.error(ActiveRecord::RecordNotFound) { halt(*nothing_here) }

      route.error ActiveRecord::StaleObjectError do
        halt(
          *refuse(
            409,
            "Somebody else changed this meanwhile",
            "Go back: what you typed is still there. Reload to see the other change, then save again."
          )
        )
      end

      route.error Sinatra::BadRequest, ArgumentError do |problem|
        ours = problem.is_a?(ArgumentError) && !problem.message.include?("invalid byte sequence")
        halt(*(ours ? broke(problem) : refuse(400, "That could not be read",
          "The page sent something this program cannot read.")))
      end

      # Photo, recording or catalogue file, on its way in or to its place.
      route.error Errno::ENOSPC do |problem|
        env["rack.errors"].puts problem.message
        halt(
          *refuse(
            507,
            "The disk is full",
            "What you just sent was not kept. Everything recorded so far is safe; tell the office, and send it " \
            "again once there is room."
          )
        )
      end

      route.error do |problem|
        if Database::AWAY.any? { |kind| problem.is_a?(kind) } || problem.is_a?(ActiveRecord::StatementInvalid)
          raise problem
        end
        halt(*store_away(problem)) if FileStore.away?(problem)
        halt(*broke(problem))
      end
    end
  end
end
