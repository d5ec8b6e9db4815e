# frozen_string_literal: true

# The Rack application, from the socket inwards: plain files, headers, session,
# forgery protection, throttling, then the routes, one small class each.
module Web
  ROOT = File.expand_path("..", __dir__)
  WEEK = 7 * 24 * 3600

  Rack::Attack.cache.store = ThrottleStore.new
  # Ten tries in five minutes for a name from one address, so that a stranger elsewhere locks
  # nobody out; thirty for an address; a hundred for a name from everywhere. Whoever is signed
  # in guesses a password no faster.
  peer = ->(request) { request.env["REMOTE_ADDR"] }
  name = ->(request) { request.params["login"].to_s.scrub("").strip.downcase[0, 40] }
  signing_in = ->(request) { request.post? && request.path == "/sign-in" }
  Rack::Attack.throttle("sign-in by address", limit: 30, period: 300) do |request|
    peer[request] if signing_in[request]
  end
  Rack::Attack.throttle("sign-in by name and address", limit: 10, period: 300) do |request|
    "#{name[request]} #{peer[request]}" if signing_in[request]
  end
  Rack::Attack.throttle("sign-in by name", limit: 100, period: 300) do |request|
    name[request] if signing_in[request]
  end
  Rack::Attack.throttle("passwords in the settings", limit: 10, period: 300) do |request|
    peer[request] if request.post? && request.path.match?(%r{\A/(settings/password|new-password/)})
  end
  Rack::Attack.throttle("bad tokens", limit: 60, period: 60) do |request|
    if request.path.start_with?("/api/") && request.env["HTTP_AUTHORIZATION"] &&
        ApiToken.user_of(request.env["HTTP_AUTHORIZATION"].delete_prefix("Bearer ")).nil?
      request.env["REMOTE_ADDR"]
    end
  end
  Rack::Attack.throttled_responder =
    lambda do |request|
      wait = request.env["rack.attack.match_data"][:period]
      Shared::Route.plain_page(
        429,
        "Too many tries",
        "Wait #{(wait / 60.0).ceil} minutes, then try again. Nothing you typed elsewhere is lost.",
        "retry-after" => wait.to_s
      )
    end

  # Names separated by commas or blanks.
  def self.listed(name) = ENV.fetch(name, "").split(/[\s,]+/)

  def self.app
    secret = ENV.fetch("FENBO_SECRET")
    Rack::Builder
      .new do
        use SecurityHeaders
        use Gatekeeper, hosts: Web.listed("FENBO_HOSTS"), proxies: Web.listed("FENBO_PROXIES")
        use Rack::ContentLength
        use Rack::Deflater,
          if: ->(_env, _status, headers, _body) { headers["content-type"].to_s.match?(%r{text/|json|javascript|svg}) }
        use Rack::Static,
          urls: ["/assets"],
          root: File.join(ROOT, "public"),
          header_rules: [[:all, {"cache-control" => "public, max-age=#{WEEK}"}]]
        use DatabaseAway
        use Database::Release
        use Rack::Session::Cookie,
          key: "fenbo",
          secrets: [secret],
          same_site: :lax,
          httponly: true,
          expire_after: 2 * WEEK
        use Rack::Attack
        run ->(env) { Paths.route(env["PATH_INFO"]).call(env) }
      end
      .to_app
  end

  # The database is away: a plain page, for every request, until it is back.
  class DatabaseAway
    def initialize(app)
      @app = app
    end

    def call(env)
      return away(env, Patience::Frozen.new("still resting")) if Patience.resting?
      @app.call(env)
    rescue *Database::AWAY => problem
      away(env, problem)
    rescue ActiveRecord::StatementInvalid => problem
      raise unless Database::AWAY_FOR_NOW.any? { |kind| problem.cause.is_a?(kind) }
      away(env, problem)
    end

    private

    def away(env, problem)
      env["rack.errors"].puts "database away: #{problem.class}: #{problem.message.lines.first}"
      text =
        "Everything recorded so far is safe. What you just sent was not taken: keep this page, and send it " \
        "again when the database is back."
      Shared::Route.plain_page(503, "The database is away", text, "retry-after" => "5")
    end
  end
end
