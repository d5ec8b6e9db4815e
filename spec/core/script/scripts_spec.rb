# frozen_string_literal: true

require "tmpdir"
require "fileutils"
%w[rooms lanes spread_work stopwatch secrets].each { |name| require_relative "../../../script/lib/#{name}" }

# What guards the house has to notice what it is there for.
RSpec.describe "the house's own scripts" do
  def house(files)
    Dir.mktmpdir do |root|
      files.each do |name, text|
        FileUtils.mkdir_p(File.dirname(File.join(root, name)))
        File.write(File.join(root, name), text)
      end
      yield Rooms.new(root)
    end
  end

  describe Rooms do
    day = {"app/day/board.rb" => "module Day\n  class Board\n    def a = Units::History.new\n  end\nend\n",
           "app/units/history.rb" => "module Units\n  class History\n  end\nend\n"}

    it "notices a room that uses another, with file and line" do
      told = "app/day/board.rb:3 uses Units::History: day may not use units"
      house(day) { |rooms| expect(rooms.faults).to eq [told] }
    end

    it "lets a room use what is shared, and the core nothing outside" do
      house("app/day/board.rb" => "Shared::Route\n",
        "app/shared/route.rb" => "module Shared\n  class Route\n  end\nend\n",
        "app/records/job.rb" => "class Job\nend\n", "lib/fenbo/a.rb" => "module Fenbo\n  A = Job\nend\n") do |rooms|
        expect(rooms.faults).to eq ["lib/fenbo/a.rb:2 uses Job: core may not use records"]
        expect(rooms.arrows).to include "day                  → shared"
      end
    end

    it "reads templates, and takes words in plain text for none" do
      template = "<p>Units::History says</p>\n<%= Units::History.new %>\n"
      house(day.merge("app/day/board.rb" => "", "app/day/views/a.erb" => template)) do |rooms|
        expect(rooms.faults).to eq ["app/day/views/a.erb:2 uses Units::History: day may not use units"]
      end
    end
  end

  describe Lanes do
    it "runs lanes side by side, and fails when one does" do
      lane = ->(name, word, code) { Lanes::Lane.new(name, {"WORD" => word}, ["sh", "-c", "echo $WORD; exit #{code}"]) }
      expect { expect(Lanes.run([lane["a", "well", 0], lane["b", "well", 0]])).to be true }.to output(/well/).to_stdout
      expect { expect(Lanes.run([lane["bad", "torn", 1], lane["good", "whole", 0]])).to be false }
        .to output(/whole.*torn/m).to_stdout
    end

    it "stops with what a failing check said" do
      checks = [%w[fine true], ["broken", "sh", "-c", "echo so it is; exit 3"]]
      expect {
        expect {
          Lanes.checks(checks)
        }.to raise_error(SystemExit).and output(/broken failed.*so it is/m).to_stderr
      }
        .to output(/fine/).to_stdout
    end
  end

  it "shares work over processes and loses none of it" do
    expect(SpreadWork.over(3) { |worker| [worker, worker * 10] }.sort).to eq [0, 0, 1, 2, 10, 20]
  end

  it "says a median and a 95th percentile in milliseconds" do
    expect(Stopwatch.spread((1..100).map { |one| one / 1000.0 }.shuffle)).to eq [51.0, 95.0]
    expect(Stopwatch.mark(51, 50)).to include "over the target"
    expect(Stopwatch.mark(50, 50)).to eq "ok"
  end

  it "makes the session's key once, for its owner only" do
    Dir.mktmpdir do |root|
      first = Secrets.session(root)
      expect(first).to match(/\A\h{128}\z/)
      expect(Secrets.session(root)).to eq first
      expect(File.stat(File.join(root, "var/secret")).mode & 0o777).to eq 0o600
    end
  end
end
