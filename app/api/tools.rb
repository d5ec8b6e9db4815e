# frozen_string_literal: true

module Api
  # The core's tools over HTTP: the same JSON as bin/fenbo.
  class Tools < Shared::Route
    LARGEST = 5 * 1024 * 1024

    # A meter's lines, as docs/formats.md describes them.
    post "/api/v1/meter" do
      content_type :json
      need :record
      door = MeterDoor.new(current_user, source: request.env["HTTP_X_METER"] || "a meter")
      taken = door.take(body_text)
      halt 422, JSON.generate(Fenbo::Refusal.new(door.faults).to_h) unless taken
      JSON.generate(taken: true)
    end

    post "/api/v1/:tool" do
      content_type :json
      halt 404, JSON.generate(Fenbo.call(params[:tool], {}).as_json) unless Fenbo::Tools.entry(params[:tool])
      answer =
        Fenbo.call(
          params[:tool],
          (params[:tool] == "sound") ? sound_question : from_database(body_json),
          limits: Shared::Shop.limits
        )
      status 422 if answer.refused?
      JSON.generate(answer.as_json)
    end

    get "/api/v1/?" do
      content_type :json
      JSON.generate(
        tools:
          Fenbo::Tools.names.map do |name|
            {name:, about: Fenbo::Tools.entry(name).about, example: Fenbo::Tools.entry(name).example}
          end
      )
    end

    private

    # A bearer token stands for its owner and needs no forgery token; a wrong one
    # is told so instead of being sent to the sign-in page.
    def current_user
      return super unless (bearer = env["HTTP_AUTHORIZATION"].to_s[/\ABearer (.+)\z/, 1])
      @bearer ||= ApiToken.user_of(bearer)
    end

    def open_door?
      halt 401,
        {"content-type" => "application/json"},
        JSON.generate(errors: [{field: "", message: "Sign in, or send a bearer token made in the settings."}])
    end

    # A stranger is told to sign in, not that a page was too old.
    def writing?
      (env["HTTP_AUTHORIZATION"].to_s.start_with?("Bearer ") || current_user.nil?) ? false : super
    end

    # What was sent, at most; nothing where it has no body.
    def body_text
      text = String.new(request.body&.read(LARGEST + 1).to_s, encoding: Encoding::UTF_8)
      wrong("is larger than 5 MB") if text.bytesize > LARGEST
      text.scrub
    end

    def body_json
      JSON.parse(body_text, allow_nan: true)
    rescue JSON::ParserError
      wrong("this is not JSON")
    end

    def wrong(message)
      halt(422, JSON.generate(Fenbo::Refusal.new([["", message]]).to_h))
    end

    # The file comes as multipart `wav`, the rest beside it; a path in JSON would be one
    # on this machine and is not read.
    def sound_question
      file = params[:wav]
      unless Shared::Sent.file?(file)
        halt 422, JSON.generate(Fenbo::Refusal.new([["wav", "is sent as a file: multipart, field wav"]]).to_h)
      end
      figures = %w[rpm blades hertz].to_h { |name| [name, figure_of(params[name])] }.compact
      figures.merge("wav_bytes" => file[:tempfile].read(SoundUploader::LARGEST + 1))
    end

    # A number where it is one; the core refuses the rest at its field.
    def figure_of(text)
      text = text.to_s
      return nil if text.empty?
      text.match?(/\A-?\d+\z/) ? text.to_i : (Float(text, exception: false) || text)
    end

    # `match` reads files only from the command; here its motors come from the
    # database unless the caller sends some.
    def from_database(question)
      return question unless params[:tool] == "match" && question.is_a?(Hash)
      question = question.except("catalog")
      question.key?("motors") ? question : question.merge("motors" => Shared::CatalogueMotors.for(question))
    end
  end
end
