# frozen_string_literal: true

require "tmpdir"
require_relative "../../../script/lib/private_postgres"

# Whatever was killed when, the next start works.
RSpec.describe PrivatePostgres, :slow do
  around do |example|
    Dir.mktmpdir do |root|
      # Whoever the database runs as has to get in.
      File.chmod(0o755, root)
      @root = root
      @postgres = described_class.new(root, durable: false, log: ->(_) {})
      example.run
    ensure
      @postgres.stop
      FileUtils.rm_rf(File.realpath(home)) if File.symlink?(home)
    end
  end

  def home = File.join(@root, "var", "postgres")

  def at(name) = File.join(home, name)

  def pid = File.open(at("data/postmaster.pid"), &:gets).to_i

  it "heals a first start that was killed while it was made, and a server that was killed" do
    FileUtils.mkdir_p(at("data.99.half/base"))
    File.write(at("data.99.half/PG_VERSION"), "15")
    File.write(at("port"), "")
    @postgres.start
    expect([@postgres.running?, Dir[at("data.*.half")], File.read(at("port")).to_i]).to match [true, [], be > 1023]
    @postgres.create_database("one")
    killed = pid
    Process.kill("KILL", killed)
    sleep 0.05 while File.exist?("/proc/#{killed}") && File.read("/proc/#{killed}/cmdline") != ""
    expect(@postgres.running?).to be false
    @postgres.start
    expect([@postgres.running?, pid == killed]).to eq [true, false]
    expect { @postgres.create_database("one") }.not_to raise_error
  end

  it "takes no other program for its server" do
    FileUtils.mkdir_p(at("data"))
    File.write(at("data/postmaster.pid"), "#{Process.pid}\n")
    expect(@postgres.running?).to be false
    File.write(at("data/postmaster.pid"), "")
    expect(@postgres.running?).to be false
  end
end
