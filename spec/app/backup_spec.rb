# frozen_string_literal: true

require_relative "app_spec_helper"
require_relative "../../script/lib/backup"

# Out of one Fenbo and into another that holds nothing.
RSpec.describe Backup do
  around do |example|
    Dir.mktmpdir { |folder|
      @folder = folder
      example.run
    }
  ensure
    admin("DROP DATABASE IF EXISTS fenbo_restored WITH (FORCE)")
  end

  def admin(sql)
    connection = PG.connect(ENV.fetch("DATABASE_URL"))
    connection.exec(sql)
  ensure
    connection&.close
  end

  def at(name) = File.join(@folder, name)

  # Kept for real, so that another connection sees it; put back afterwards.
  before do
    @named = Setting.read("shop_name")
    Setting.write("shop_name", "Zähes Brummen, “wie ein Bär”; 'quoted' \\ and\ttabbed")
  end

  after { Setting.write("shop_name", @named) }

  def written
    FileUtils.mkdir_p(at("files/store"))
    File.binwrite(at("files/store/a.wav"), Random.bytes(5000))
    File.write(at("secret"), "s" * 128)
    described_class.new(url: ENV.fetch("DATABASE_URL"), files: KeptFiles::Folder.new(at("files")),
      secret: at("secret"))
  end

  def empty
    admin("CREATE DATABASE fenbo_restored TEMPLATE template0")
    url = ENV.fetch("DATABASE_URL").sub(%r{/[^/]+\z}, "/fenbo_restored")
    described_class.new(url:, files: KeptFiles::Folder.new(at("new")), secret: at("new_secret"))
  end

  it "brings back every row, file and key, and says so by comparing them" do
    manifest = written.write(at("one.fenbo"))
    expect(manifest["tables"]["jobs"]["rows"]).to eq(Job.count).and be > 1
    expect(File.stat(at("one.fenbo")).mode & 0o077).to eq 0
    other = empty
    expect(other.restore(at("one.fenbo"))).to eq manifest
    expect([other.differences(manifest), File.read(at("new_secret"))]).to eq [[], "s" * 128]
    expect { other.restore(at("one.fenbo")) }.to raise_error(Backup::Failed, /tables already/)
  end

  it "tells what is not as it was" do
    source = written
    manifest = source.write(at("one.fenbo"))
    Setting.write("shop_name", "Later")
    File.write(at("files/store/b.wav"), "b")
    expect(source.differences(manifest)).to include "table settings", "file store/b.wav"
    expect { source.write(at("one.fenbo")) }.to raise_error(Backup::Failed, /there already/)
    broken = at("broken.fenbo")
    File.binwrite(broken, File.binread(at("one.fenbo"), 2000))
    expect { empty.restore(broken) }.to raise_error(Backup::Failed)
  end
end
