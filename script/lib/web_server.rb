# frozen_string_literal: true

require "puma"
require "puma/configuration"
require "puma/launcher"

# The web process: Puma around the application, which has been loaded before.
class WebServer
  # @param tls [Array<String>, nil] certificate and key, PEM files
  # @param log [String] file for what Puma says
  def initialize(port:, log:, bind: "127.0.0.1", tls: nil)
    @port = port
    @host = bind.include?(":") ? "[#{bind}]" : bind
    @tls = tls&.map { |file| File.expand_path(file) }
    @log = log
  end

  def address = "#{@tls ? "https" : "http"}://#{@host}:#{@port}"

  # Serves until it is stopped; `started` is called once it listens.
  def run(&started)
    events = Puma::Events.new
    events.respond_to?(:after_booted) ? events.after_booted(&started) : events.on_booted(&started)
    log = File.open(@log, "a").tap { |file| file.sync = true }
    Puma::Launcher.new(configuration, events:, log_writer: Puma::LogWriter.new(log, $stderr)).run
  rescue Interrupt
    # Ctrl-C before Puma took over the signal.
  end

  private

  def configuration
    Puma::Configuration.new do |config|
      listen(config)
      config.threads 2, Database::THREADS
      config.http_content_length_limit Gatekeeper::LARGEST
      config.environment ENV["RACK_ENV"]
      config.app Web.app
      config.log_requests false
      config.silence_single_worker_warning if config.respond_to?(:silence_single_worker_warning)
    end
  end

  def listen(config)
    return config.bind("tcp://#{@host}:#{@port}") unless @tls
    config.ssl_bind(@host, @port, cert: @tls.first, key: @tls.last)
  end
end
