# frozen_string_literal: true

module Shared
  # Every form comes with an id of its own: the same press sent again, because its answer was
  # lost or a finger was nervous, does nothing and is answered as it was the first time.
  #
  # The same is what was typed: person, address, id, fields, and the bytes of files. Whatever
  # the server makes of it, by a meter's accuracy, a visit, a name, does not count. What a post
  # writes and that it was taken are one transaction; a refusal is not remembered.
  module Once
    # What changes from one sending to the next.
    PASSING = %w[authenticity_token held_seconds].freeze

    private

    # The whole of what a post does, under the rooms' own routes.
    def route!(base = settings, pass_block = nil)
      return super unless base.equal?(settings) && once?
      digest = post_digest
      given = nil
      ActiveRecord::Base.transaction(requires_new: true) do
        if (taken = TakenPost.waited_for(digest))
          given = again(taken)
        else
          given = catch(:halt) { super }
          # What is refused leaves nothing behind.
          remember(digest, given) || raise(ActiveRecord::Rollback)
        end
      end
      throw :halt, given
    end

    def once?
      request.post? && current_user && Sent::UUID.match?(params[:client_id].to_s)
    end

    def post_digest
      Digest::SHA256.hexdigest(
        JSON.generate([request.path, typed_only(params.to_h.except(*PASSING, "splat", "captures"))])
      )
    end

    def typed_only(value)
      return Digest::SHA256.file(value[:tempfile].path).hexdigest if Sent.file?(value)
      case value
      when Hash
        value.map { |name, one| [name.to_s, typed_only(one)] }.sort_by(&:first)
      when Array
        value.map { |one| typed_only(one) }
      else
        value.to_s
      end
    end

    def remember(digest, given)
      status, body = answered(given)
      return false unless status.between?(200, 399)
      TakenPost.keep(digest, {status:, body:, headers: response.headers.slice("location", "content-type"),
                              told: session[:told]}, by: current_user)
    end

    # [status, body] of what a route ended with.
    def answered(given)
      case given
      when Integer then [given, ""]
      when Array then [given.first, Array(given.last).join]
      else [response.status, given.to_s]
      end
    end

    def again(taken)
      before = taken.answer_for(current_user) or return redirect_home
      headers before["headers"].merge("x-repeat" => "1")
      tell(before["told"]) if before["told"]
      [before["status"], before["body"]]
    end

    def redirect_home
      headers "location" => url("/")
      tell("That was taken already.")
      [303, ""]
    end
  end
end
