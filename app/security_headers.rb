# frozen_string_literal: true

# Headers that every answer carries. Nothing inline, nothing from elsewhere.
class SecurityHeaders
  POLICY = [
    "default-src 'none'",
    "script-src 'self'",
    "style-src 'self'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "media-src 'self' blob:",
    "manifest-src 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    "base-uri 'none'"
  ].join("; ").freeze

  HEADERS = {
    "content-security-policy" => POLICY,
    "x-content-type-options" => "nosniff",
    "x-frame-options" => "DENY",
    "referrer-policy" => "same-origin",
    # By which a phone tells Fenbo from whoever else answers on the way.
    "x-fenbo" => "1",
    "cross-origin-opener-policy" => "same-origin",
    "permissions-policy" => "camera=(self), microphone=(self), geolocation=()"
  }.freeze

  # Once reached by TLS, never again without it: half a year.
  STRICT = {"strict-transport-security" => "max-age=#{182 * 86_400}"}.freeze

  def initialize(app)
    @app = app
  end

  def call(env)
    status, headers, body = @app.call(env)
    own = (env["rack.url_scheme"] == "https") ? HEADERS.merge(STRICT) : HEADERS
    [status, own.merge(headers), body]
  end
end
