# frozen_string_literal: true

# What the phone holds: who carries it, the shop, the taken jobs; and one request answered as
# the server would answer it.
module Phone
  # What cannot be done without the server.
  NeedsSignal = Class.new(StandardError)

  # The rooms that came along.
  ROOMS = %w[Stations::Look::Route Stations::Look::Findings Stations::Measure::Route Stations::Measure::Readings
    Stations::Decide::Route Stations::Call::Jobs Stations::Look::Frost
    Stations::Look::Photos Stations::Look::Sounds
    Stations::WorkPlan::Route Stations::Prove::Route Stations::HandOver::Route Bench::Route
    Shared::Nowhere].freeze
  # Of these the one that wants no job.
  BENCH = "Bench::Route"
  Pack = Struct.new(:person, :shop, :job, :beside, :history, :best, :made_at) do
    # One of the motors that came along.
    def motor(part_no)
      Fenbo::JobFile::CataloguePart.from_json(best["shown"].fetch(part_no)["part"])
    end
  end

  class << self
    attr_reader :packs, :assets

    # @param json [String] {"assets": {name: address}}
    def begin(json)
      @assets = JSON.parse(json)["assets"]
      @packs = {}
      "begun"
    end

    # Everything is built before the phone's memory is kept.
    def warm(_nothing)
      ROOMS.each { |room| Object.const_get(room) }
      Example.go_through
      TakenPost::ANSWERS.clear
      @session = nil
      GC.start
      "warm"
    end

    def let_go(number) = packs.delete(number)

    # @param json [String] a pack, its job as it stands on this phone
    def load(json)
      pack = JSON.parse(json)
      job = Fenbo::JobFile.from_json(pack["job"])
      packs[job.number] = Pack.new(person: Holder.new(pack["person"]), shop: pack["shop"], job:,
        beside: pack["beside"], history: pack["history"].to_h, best: pack["best"],
        made_at: Time.iso8601(pack["made_at"]))
      "job #{job.number}"
    end

    # @param json [String] {"verb", "path", "query", "body", "files"}: of each file by its field
    #   the path it lies at, its name and, of a picture, how many points it has, where it opens
    # @return [String] {"status", "headers", "body", "job", "seen"}: `job` as it stands now, where
    #   the request changed it, and what of it stood there before
    def ask(json)
      request = JSON.parse(json)
      @verb, @path = request.values_at("verb", "path")
      @files = request["files"].to_h
      @number = @path[%r{\A/jobs/(\d+)}, 1].to_i
      before = pack&.job
      status, headers, body = answer(request)
      after = pack&.job
      changed = {job: after.as_json, seen: Pocket::FirstCome.seen(before)} unless after.equal?(before)
      JSON.generate({status:, headers:, body: whole(body)}.merge(changed.to_h))
    end

    # The pack of the job in hand.
    def pack = packs[@number]

    # Where the request in hand goes.
    attr_reader :path

    # Points of the picture in hand, nil where it does not open.
    def pixels = @files.dig("photo", "pixels")

    # Whoever carries the phone.
    def person = (pack || any)&.person

    # The shop's settings as they were taken along.
    def shop = (pack || any)&.shop.to_h

    def all_or_nothing
      before = pack&.job
      yield
    rescue Exception # rubocop:disable Lint/RescueException -- a thrown stop is none, all else undoes
      pack.job = before if pack
      raise
    end

    private

    def any = packs.values.first

    def answer(request)
      room_of(request["path"]).call(environment(request))
    end

    def room_of(path)
      return Taken if ["/", "/jobs", "/pocket/kept"].include?(path)
      return Pictured if Pictured::PATH.match?(path)
      return PackedMatch if PackedMatch::PATH.match?(path) && pack&.best
      room = Paths.room(path)
      (ROOMS.include?(room) && (pack || (any && room == BENCH))) ? Paths.route(path) : Away
    end

    def environment(request)
      body = request["body"].to_s
      input = StringIO.new(body.b)
      {
        "REQUEST_METHOD" => request["verb"], "PATH_INFO" => request["path"], "QUERY_STRING" => request["query"].to_s,
        "SCRIPT_NAME" => "", "SERVER_NAME" => "phone", "SERVER_PORT" => "80", "SERVER_PROTOCOL" => "HTTP/1.1",
        "rack.url_scheme" => "http", "rack.input" => input, "rack.errors" => $stderr,
        "CONTENT_TYPE" => "application/x-www-form-urlencoded", "CONTENT_LENGTH" => body.bytesize.to_s,
        "rack.session" => session, "rack.session.options" => {}
      }.merge((form(body, input) if @files.any?).to_h)
    end

    # As rack reads a form that came with files.
    def form(body, input)
      came = @files.to_h { |field, file|
        [field, {filename: file["name"], type: file["type"], name: field, tempfile: File.open(file["path"], "rb")}]
      }
      {"rack.request.form_hash" => Rack::Utils.parse_nested_query(body).merge(came), "rack.request.form_input" => input}
    end

    # What was told at the last press waits for the next page, as in a session.
    def session
      @session ||= {}
      @session.merge!(user_id: person&.id, version: 1, key: "phone")
    end

    def whole(body)
      text = +""
      body.each { |part| text << part }
      text.force_encoding("UTF-8")
    end
  end
end
