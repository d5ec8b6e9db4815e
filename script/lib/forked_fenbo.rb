# frozen_string_literal: true

require "net/http"
require_relative "stopwatch"

# The application in a process of its own, forked from one that has loaded it, so that a killed
# one is back at once.
class ForkedFenbo
  GONE = [SystemCallError, EOFError, Net::ReadTimeout].freeze

  # @param port [Integer] on this machine
  # @param log [String, nil] file for what it complains of
  def initialize(port:, log: nil, threads: Database::THREADS)
    @port = port
    @log = log
    @threads = threads
    @parent = Process.pid
    at_exit { kill if Process.pid == @parent && @pid }
  end

  # Answers in this process while the block goes through what later ones then need not build.
  def warm
    puma = listening
    puma.run
    yield
    puma.stop(true)
    self
  end

  def start
    ActiveRecord::Base.connection_handler.clear_all_connections!
    @pid = fork do
      $stderr.reopen(@log, "a") if @log
      Database.connect(patience: Database::PATIENCE)
      listening.run.join
    end
    self
  end

  def kill
    Process.kill("KILL", @pid)
    Process.wait(@pid)
    @pid = nil
  end

  # Until it answers.
  def wait
    400.times do
      return self if Net::HTTP.get_response("127.0.0.1", "/up", @port).code == "200"
      sleep 0.05
    rescue *GONE
      sleep 0.05
    end
    abort "Fenbo does not come up"
  end

  private

  def listening
    Puma::Server.new(Web.app, nil, {min_threads: 2, max_threads: @threads}).tap { |puma|
      puma.add_tcp_listener("127.0.0.1", @port)
    }
  end
end
