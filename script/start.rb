# frozen_string_literal: true

# The second half of bin/start, once Ruby and the gems are there: database,
# migrations, demo world, web server. Held together by var/start.lock (file
# descriptor 9), which ends with this process and never passes to a child.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require "fileutils"
require "optparse"
require "socket"
require_relative "lib/private_postgres"
require_relative "lib/secrets"

ROOT = File.expand_path("..", __dir__)
options = {port: 4680, bind: "127.0.0.1", demo: true, reset: false}
begin
  OptionParser
    .new do |o|
      o.on("--port N", Integer) { |value| options[:port] = value }
      o.on("--bind ADDRESS") { |value| options[:bind] = value }
      o.on("--tls CERTIFICATE,KEY", Array) { |value| options[:tls] = value }
      o.on("--no-demo") { options[:demo] = false }
      o.on("--reset-demo") { options[:reset] = true }
    end
    .parse!
rescue OptionParser::ParseError => problem
  abort "#{problem.message}. See bin/start --help."
end
abort "--port wants a number from 1 to 65535." unless options[:port].between?(1, 65_535)

if options[:tls] && (options[:tls].size != 2 || options[:tls].any? { |file| !File.readable?(file) })
  abort "--tls wants two files that can be read, PEM: --tls fenbo.crt,fenbo.key"
end

def say(text) = puts("  #{text}")

def give_up(what, remedy)
  abort("\nFenbo could not start: #{what}\nThis mends it:\n  #{remedy}")
end

begin
  TCPServer.new(options[:bind], options[:port]).close
rescue Errno::EADDRINUSE
  give_up("port #{options[:port]} is in use by another program", "bin/start --port #{options[:port] + 1}")
rescue SystemCallError, SocketError => problem
  give_up(
    "it cannot listen on #{options[:bind]}:#{options[:port]} (#{problem.message})",
    "bin/start --bind 127.0.0.1 --port 4680"
  )
end

ENV["RACK_ENV"] ||= "production"
gems = Thread.new { require_relative "../app/gems" }
postgres = nil
unless ENV["DATABASE_URL"]
  begin
    postgres = PrivatePostgres.new(ROOT).start
    postgres.create_database("fenbo")
    ENV["DATABASE_URL"] = postgres.url("fenbo")
  rescue PrivatePostgres::Failed, SystemCallError => problem
    give_up(problem.message, "look into var/postgres/log; bin/start again once the cause is gone")
  end
end
at_exit { postgres&.stop }

if options[:reset]
  print "  Throw away everything in the database and load the demo world anew? Type yes: "
  abort "  Nothing was changed." unless $stdin.gets.to_s.strip.casecmp?("yes")
  abort "  --reset-demo only works on Fenbo's own database, not on DATABASE_URL." unless postgres
  postgres.drop_database("fenbo")
  postgres.create_database("fenbo")
  FileUtils.rm_f(File.join(ROOT, "var", "price_service.json"))
end

ENV["FENBO_SECRET"] ||= Secrets.session(ROOT)
gems.join
require_relative "../app/boot"
require_relative "lib/schema"

begin
  Schema.migrate { |name| say("migrating: #{name}") }
rescue ActiveRecord::ActiveRecordError => problem
  give_up(
    "the database could not be migrated (#{problem.message.lines.first&.strip})",
    "bin/start, or bin/start --reset-demo to begin anew"
  )
end

if options[:demo] && User.none?
  say "loading the demo world"
  require_relative "lib/apart"
  loaded =
    Apart.run do
      require_relative "../db/demo/world"
      Demo::World.new(today: Date.today).load
    end
  give_up("the demo world could not be loaded", "bin/start --reset-demo") unless loaded
end

require_relative "lib/web_server"

# Migrations and the demo had their time; a page gives up on a database that stands still.
Database.connect(patience: Database::PATIENCE)

server = WebServer.new(port: options[:port], bind: options[:bind], tls: options[:tls],
  log: File.join(ROOT, "var", "puma.log"))
File.write(File.join(ROOT, "var", "running"), "#{Process.pid} #{server.address}")
at_exit { File.delete(File.join(ROOT, "var", "running")) if File.exist?(File.join(ROOT, "var", "running")) }

# A database that dies under us comes back by itself; nothing committed is lost.
if postgres
  Thread.new do
    loop do
      sleep 3
      postgres.start unless postgres.running?
    rescue PrivatePostgres::Failed, SystemCallError => problem
      warn "  the database is away: #{problem.message.lines.first}"
    end
  end
end

# A process beside this one, begun again should it die; it ends with this one.
def keep_running(script, *arguments)
  child = nil
  Thread.new do
    loop do
      child = Process.spawn(RbConfig.ruby, File.join(ROOT, "script", "#{script}.rb"), *arguments,
        %i[out err] => [File.join(ROOT, "var", "#{script}.log"), "a"])
      Process.wait(child)
      sleep 3
    end
  end
  at_exit do
    Process.kill("TERM", child) if child
  rescue Errno::ESRCH
    # It has ended by itself.
  end
end

# The suppliers that ship with Fenbo; a shop's own price service is named in the environment.
unless ENV["FENBO_PRICE_SERVICE"]
  port = TCPServer.open("127.0.0.1", 0) { |socket| socket.addr[1] }
  ENV["FENBO_PRICE_SERVICE"] = "http://127.0.0.1:#{port}"
  keep_running("price_service", port.to_s, File.join(ROOT, "var", "price_service.json"), Date.today.iso8601)
end

# What waits in the queue is done beside the web: should it die, the web does not.
keep_running("worker")

server.run do
  puts "", "  Fenbo is up: #{server.address}", ""
  if Setting.read("demo_loaded_on")
    puts "  Demo sign-ins (password for all: #{Demos::PASSWORD})"
    Demos::PEOPLE.each { |person| puts "    #{person[:login].ljust(8)} #{person[:name]}, #{person[:role]}" }
  elsif User.none?
    puts "  Open it to make the first office user."
  end
  puts "", "  Ctrl-C stops it."
  $stdout.flush
end
puts "  Fenbo is down."
