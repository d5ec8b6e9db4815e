# frozen_string_literal: true

# Before anything is read or kept: is this our own address, and is the body no larger than
# what its door takes? Whoever calls is known by the connection, not by what a header claims.
class Gatekeeper
  KB = 1024
  MB = 1024 * KB
  # What a door takes at most, the first that fits; a form is small.
  DOORS = [
    [%r{\A/(sign-in|sign-out|first-run|new-password)}, 16 * KB],
    [%r{\A/jobs/[^/]+/photos\z}, 13 * MB],
    [%r{\A/jobs/[^/]+/sounds}, 17 * MB],
    [%r{\A/(pocket/sync/files|left\z)}, 17 * MB],
    [%r{\A/api/}, 17 * MB],
    [%r{\A/imports}, 81 * MB],
    [%r{\A/suppliers\z}, 8 * MB],
    [%r{\A/job-files}, 201 * MB]
  ].freeze
  FORM = MB
  LARGEST = DOORS.map(&:last).max
  # The machine itself, and addresses in figures: no name of a stranger's points at those.
  OWN = /\A(localhost|\d{1,3}(\.\d{1,3}){3}|\[[0-9a-f:]+\])\z/i

  # Headers by which anybody can claim to be somebody else, or to have reached another address.
  CLAIMS = %w[HTTP_X_FORWARDED_FOR HTTP_X_FORWARDED_HOST HTTP_X_FORWARDED_PORT HTTP_X_FORWARDED_PROTO
    HTTP_X_FORWARDED_SCHEME HTTP_X_FORWARDED_SSL HTTP_FORWARDED].freeze

  # @param hosts [Array<String>] names this Fenbo is reached by, besides the machine's own
  # @param proxies [Array<String>] addresses whose word about the peer is taken
  def initialize(app, hosts: [], proxies: [])
    @app = app
    @hosts = hosts.map(&:downcase)
    @proxies = proxies
  end

  def call(env)
    return refuse(400, "Not our address", "Fenbo is not reached by that name. Ask the office for the right one.") unless
      ours?(env["HTTP_HOST"] || env["SERVER_NAME"])
    return refuse(413, "Too large", "That is more than fits through here. Nothing was taken.") if too_large?(env)
    scheme = scheme(env)
    env["REMOTE_ADDR"] = peer(env)
    CLAIMS.each { |name| env.delete(name) }
    env["rack.url_scheme"], env["HTTPS"] = "https", "on" if scheme == "https"
    missing_asset(env, @app.call(env))
  end

  private

  def ours?(host)
    name = host.to_s.sub(/:\d+\z/, "").downcase
    name.match?(OWN) || @hosts.include?(name)
  end

  def too_large?(env)
    size = env["CONTENT_LENGTH"].to_i
    size.positive? && size > (DOORS.find { |path, _| env["PATH_INFO"].match?(path) }&.last || FORM)
  end

  # The connection's own address; from a proxy of ours, the last one that it was told.
  def peer(env)
    own = env["REMOTE_ADDR"].to_s
    return own unless @proxies.include?(own)
    env["HTTP_X_FORWARDED_FOR"].to_s.split(",").map(&:strip).reject { |one| @proxies.include?(one) }.last || own
  end

  # How the browser reached us; a proxy of ours is believed.
  def scheme(env)
    @proxies.include?(env["REMOTE_ADDR"].to_s) ? env["HTTP_X_FORWARDED_PROTO"].to_s.downcase : env["rack.url_scheme"]
  end

  # What is not there today may be there after the next release.
  def missing_asset(env, answer)
    status, headers, body = answer
    return answer unless status == 404 && env["PATH_INFO"].start_with?("/assets/")
    [status, headers.merge("cache-control" => "no-store"), body]
  end

  def refuse(status, title, text)
    Shared::Route.plain_page(status, title, text, "cache-control" => "no-store")
  end
end
