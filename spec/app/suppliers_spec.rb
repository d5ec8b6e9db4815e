# frozen_string_literal: true

require_relative "app_spec_helper"
require "puma"
require "puma/server"

# Suppliers over the net: what they say, and what a page does when they say nothing.
RSpec.describe Suppliers::Priced, :rolled_back do
  let(:motor) { Motor.find_by!(part_no: "BR-S12-230-R") }
  let(:time) { Time.utc(2031, 5, 5, 12) }
  let(:ledger) { FenboSimulation::PriceService::Ledger.new(nil) }
  let(:app) { FenboSimulation::PriceService.new(ledger:, silence_s: 0, now: -> { @at || time }) }
  let(:priced) { priced_by(Suppliers::Service.new(Suppliers::Service::InProcess.new(app))) }

  def priced_by(service)
    described_class.new(service, limits: -> { Setting.limits }, now: -> { @at || time })
  end

  def ids(priced)
    priced.offers([motor]).fetch(motor.part_no).map { |one| one["id"] }
  end

  def state(id) = priced.standing.find { |one| one.id == id }.state

  it "tells who sells it, at what price and when, as the tool takes it" do
    offers = priced.offers([motor])[motor.part_no]
    expect(offers.map { |one| one["id"] }).to contain_exactly("tarn", "lower_mill", "passhouse")
    expect(offers.find { |one| one["id"] == "tarn" }["open"]["closed"]).to include "2031-12-25"
    answer = Fenbo.call(:source, Fenbo::Tools.entry("source").example.merge("offers" => offers))
    expect(answer).not_to be_refused
    expect([priced.name_of("tarn"), priced.name_of("nobody")]).to eq ["Tarn counter", nil]
  end

  it "uses what a silent supplier said last, says so, leaves it alone a while, and asks again" do
    expect(ids(priced)).to include "passhouse"
    ledger.fault!("passhouse", "silent")
    expect([ids(priced), state("passhouse")]).to match [include("passhouse"), "answers"] # fresh: not asked again
    @at = time + 6 * 60
    expect { expect(ids(priced)).to include "passhouse" }.to output(/passhouse/).to_stderr
    expect(state("passhouse")).to eq "silent"
    ledger.fault!("passhouse", nil)
    expect { ids(priced) }.not_to output.to_stderr
    expect(state("passhouse")).to eq "silent"
    @at = time + 8 * 60
    ids(priced)
    expect(state("passhouse")).to eq "answers"
    ledger.fault!("passhouse", "silent")
    @at = time + 80 * 3600
    expect { expect(ids(priced)).not_to include "passhouse" }.to output.to_stderr
  end

  it "says that an answer is yesterday's" do
    ledger.fault!("tarn", "stale")
    expect(ids(priced)).to include "tarn"
    expect([state("tarn"), state("lower_mill")]).to eq %w[stale answers]
  end

  it "gives the last piece to one of two, and the same order sent twice its one answer" do
    counted = FenboSimulation::PriceService::Seller.all.find { |one| one.id == "tarn" }.stock(motor.part_no)
    ids = Array.new(counted + 1) { SecureRandom.uuid }
    told = ids.map { |id| Thread.new { priced.order("tarn", id, part_no: motor.part_no, count: 1) } }.map(&:value)
    expect(told.tally).to eq(placed: counted, sold: 1)
    expect(priced.order("tarn", ids[told.index(:placed)], part_no: motor.part_no, count: 1)).to eq :placed
    expect(priced.offers([motor])[motor.part_no].find { |one| one["id"] == "tarn" }["in_stock"]).to be false
  end

  it "keeps its orders through a kill in the middle" do
    Dir.mktmpdir do |folder|
      file = File.join(folder, "ledger.json")
      FenboSimulation::PriceService::Ledger.new(file)
        .place("one", {"seller" => "tarn", "part_no" => "X", "count" => 2}) { true }
      expect(FenboSimulation::PriceService::Ledger.new(file).sold("tarn", "X")).to eq 2
    end
  end

  # Over a real socket: refused, hanging, nonsense, an error; each is silence within two seconds.
  describe "over the net" do
    def serve(app)
      server = Puma::Server.new(app, nil, log_writer: Puma::LogWriter.null)
      port = server.add_tcp_listener("127.0.0.1", 0).addr[1]
      server.run
      yield "http://127.0.0.1:#{port}"
    ensure
      server&.stop(true)
    end

    it "answers over HTTP as in the process" do
      serve(app) { |address| expect(ids(priced_by(Suppliers::Service.at(address, seconds: 1.5)))).to eq ids(priced) }
    end

    it "never waits longer than two seconds, whatever goes wrong", slow: true do
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      slow = ->(env) {
        sleep 5 if env["PATH_INFO"].end_with?("offers")
        app.call(env)
      }
      serve(slow) do |address|
        expect { expect(ids(priced_by(Suppliers::Service.at(address, seconds: 0.3)))).to eq [] }.to output.to_stderr
        expect(Process.clock_gettime(Process::CLOCK_MONOTONIC) - started).to be < 2
      end
    end

    it "takes nonsense and a closed door for silence" do
      [->(_) { [200, {}, ["<html>"]] }, ->(_) { [500, {}, ["{}"]] }].each do |broken|
        serve(broken) { |at| expect { ids(priced_by(Suppliers::Service.at(at, seconds: 1))) }.to output.to_stderr }
      end
      gone = priced_by(Suppliers::Service.at("http://127.0.0.1:9", seconds: 1))
      expect { expect(gone.offers([motor])).to eq({motor.part_no => []}) }.to output(/price service/).to_stderr
    end
  end
end
