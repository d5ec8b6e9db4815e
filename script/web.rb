# frozen_string_literal: true

# One web process by itself, for a test of several: script/web.rb PORT LOG. Database, files
# and secret come from the environment; it ends with whoever started it.
require "bundler/setup"
require_relative "../app/boot"
require_relative "lib/web_server"

parent = Process.ppid
Thread.new do
  sleep 0.5 while Process.ppid == parent
  Process.kill("TERM", Process.pid)
end
Database.connect(patience: Database::PATIENCE)
WebServer.new(port: Integer(ARGV.fetch(0)), log: ARGV.fetch(1)).run { puts "up" }
