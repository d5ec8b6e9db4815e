# frozen_string_literal: true

module Pocket
  # Brings what a phone kept through the doors that it would have come by with signal, one press
  # after the other, so that nothing holds of one that does not hold of the other. A press that
  # was taken before, because its answer was lost, is a repeat.
  class Sync
    # As templates write it at its field.
    FAULT = /class="fault"[^>]*>\s*([^<]+)/
    # So long are others on the job kept waiting.
    TOGETHER = 50
    private_constant :FAULT, :TOGETHER

    # @param env [Hash] of the request that brought it, which has proved where it comes from
    # @param user [User] whose presses they are
    # @param files [Hash] field => file, of a press that came with some
    def initialize(env, user, files: {})
      @env = env
      @user = user
      @files = files
    end

    # @param presses [Array<Batch::Press>]
    # @return [Array<Hash>] order, id, answer (taken, repeat, refused, conflict) and the sentence
    #   of the latter two; it ends where the server itself could not
    def take(presses)
      presses.chunk_while { |one, two| one.job == two.job }.flat_map { |run| run.each_slice(TOGETHER).to_a }
        .each_with_object([]) do |some, answers|
          told = together(some)
          answers.concat(told)
          break answers if told.size < some.size
        end
    end

    private

    # Some presses on one job: what they write becomes true at once, each by itself or not at all.
    def together(presses)
      ActiveRecord::Base.transaction do
        in_hand = Shared::JobInHand.held(presses.first.job)
        presses.each_with_object([]) do |press, answers|
          told = one(press, in_hand) or break answers
          in_hand&.after(press.path, told[:answer] == "taken")
          answers << told
        end
      end
    end

    # Nil where the server itself could not.
    def one(press, in_hand)
      first = FirstCome.new(press, @user).sentence
      return {order: press.order, id: press.id, answer: "conflict", sentence: first} if first
      status, headers, body = sent(press, in_hand)
      answer(press, status, headers, body) if status < 500
    end

    def sent(press, in_hand)
      Paths.route(press.path).call(environment(press).merge("fenbo.in_hand" => in_hand))
    end

    def answer(press, status, headers, body)
      told = {order: press.order, id: press.id}
      return told.merge(answer: "refused", sentence: sentence(body)) if status >= 400
      told.merge(answer: (headers["x-repeat"] ? "repeat" : "taken"))
    end

    def environment(press)
      form = [press.body, URI.encode_www_form(client_id: press.id, **time_of(press))].join("&")
      input = StringIO.new(form.b)
      @env.slice("rack.errors", "rack.url_scheme", "HTTP_HOST", "SERVER_NAME",
        "SERVER_PORT", "SERVER_PROTOCOL", "REMOTE_ADDR").merge(
          "REQUEST_METHOD" => "POST", "PATH_INFO" => press.path, "SCRIPT_NAME" => "", "QUERY_STRING" => "",
          "CONTENT_TYPE" => "application/x-www-form-urlencoded", "CONTENT_LENGTH" => form.bytesize.to_s,
          "rack.input" => input, "rack.session" => {}, "rack.session.options" => {}, "fenbo.without_page" => true,
          "fenbo.user" => @user, "fenbo.bearer" => true, "fenbo.pressed_at" => (press.pressed_at unless press.anyway)
        ).merge(@files.any? ? form_with_files(form, input) : {})
    end

    # When it was pressed; what shall count after somebody else's counts from now on.
    def time_of(press) = press.anyway ? {} : {held_seconds: press.held_seconds}

    # As rack reads a form that came with files.
    def form_with_files(form, input)
      {"rack.request.form_hash" => Rack::Utils.parse_nested_query(form).merge(@files),
       "rack.request.form_input" => input}
    end

    # What stood against it, in the words of its form.
    def sentence(body)
      text = +""
      body.each { |part| text << part }
      faults = text.force_encoding("UTF-8").scan(FAULT).map { |(one)| CGI.unescapeHTML(one).squish }
      (faults.any? ? faults.join(" ") : text)[0, 500]
    end
  end
end
