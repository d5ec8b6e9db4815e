# frozen_string_literal: true

# The suppliers' price service that ships with Fenbo, on loopback: a stand-in for real ones.
#   ruby script/price_service.rb PORT LEDGER [SEED]
# The ledger is the file it keeps its orders in; without a seed no seller ever fails by itself.
require "bundler/setup"
$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "fenbo_simulation"
require "puma"
require "puma/configuration"
require "puma/launcher"

port, ledger, seed = ARGV
service = FenboSimulation::PriceService.new(ledger: FenboSimulation::PriceService::Ledger.new(ledger), seed:)
configuration = Puma::Configuration.new do |config|
  config.bind "tcp://127.0.0.1:#{Integer(port)}"
  config.threads 2, 16
  config.app service
  config.log_requests false
end
# It ends with whoever started it.
parent = Process.ppid
Thread.new do
  sleep 1 while Process.ppid == parent
  exit!
end
Puma::Launcher.new(configuration, log_writer: Puma::LogWriter.null).run
