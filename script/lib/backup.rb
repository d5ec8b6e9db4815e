# frozen_string_literal: true

require "fileutils"
require "json"
require "open3"
require "pg"
require "tmpdir"
require_relative "kept_files"
require_relative "whole_file"

# Everything a Fenbo holds in one tar file: the database as pg_dump writes it, photos and
# recordings, the key of the sessions, and a manifest with a digest of every table and file,
# by which a restore is compared row by row.
class Backup
  Failed = Class.new(StandardError)
  VERSION = 1
  # What is in a process's hands and not the shop's record.
  PASSING = %w[ar_internal_metadata que_lockers throttles].freeze

  # @param url [String] of the database
  # @param files [KeptFiles::Folder, KeptFiles::Bucket] of photos and recordings
  # @param secret [String, nil] file with the key of the sessions
  def initialize(url:, files:, secret: nil)
    @url = url
    @files = files
    @secret = secret
  end

  # @param path [String] of the tar file, which must not be there yet
  # @return [Hash] its manifest
  def write(path)
    raise Failed, "#{path} is there already" if File.exist?(path)
    Dir.mktmpdir("fenbo-backup") do |folder|
      manifest = dump(folder)
      copy_files(folder)
      manifest["files"] = KeptFiles::Folder.new(File.join(folder, "files")).digests
      WholeFile.write(File.join(folder, "manifest.json"), JSON.pretty_generate(manifest))
      half = "#{File.expand_path(path)}.half"
      run("tar", "-cf", half, "-C", folder, ".")
      File.chmod(0o600, half)
      File.rename(half, path)
      manifest
    end
  end

  # Puts what a backup holds into a database without tables and a folder without files.
  # @return [Hash] its manifest
  # @raise [Failed] where something is there already, or is not as it was
  def restore(path)
    Dir.mktmpdir("fenbo-restore") do |folder|
      run("tar", "-xf", File.expand_path(path), "-C", folder)
      manifest = manifest_in(folder)
      refuse_unless_empty
      run(program("pg_restore"), "--no-owner", "--exit-on-error", "--single-transaction", "-d", @url,
        File.join(folder, "database.dump"))
      bring_files(folder)
      compare(manifest)
      manifest
    end
  end

  # Where a manifest and what stands here differ; empty where nothing does.
  # @return [Array<String>]
  def differences(manifest)
    tables = connected { |connection| tables(connection) }
    files = @files.digests
    [["table", manifest["tables"], tables], ["file", manifest["files"], files]].flat_map { |kind, then_, now|
      (then_.keys | now.keys).reject { |name| then_[name] == now[name] }.map { |name| "#{kind} #{name}" }
    }
  end

  private

  # The dump and the digests are of the same moment.
  def dump(folder)
    connected do |connection|
      connection.exec("BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY")
      snapshot = connection.exec("SELECT pg_export_snapshot()").getvalue(0, 0)
      run(program("pg_dump"), "-Fc", "--no-owner", "--snapshot", snapshot, "-d", @url, "-f",
        File.join(folder, "database.dump"))
      {"version" => VERSION, "made_at" => Time.now.utc.strftime("%FT%TZ"), "tables" => tables(connection)}
    end
  end

  # Rows and a digest of all of them, by table.
  def tables(connection)
    names = connection.exec("SELECT tablename FROM pg_tables WHERE schemaname = 'public' ORDER BY 1").column_values(0)
    (names - PASSING).to_h do |name|
      row = connection.exec("SELECT count(*), md5(coalesce(string_agg(md5(t::text), '' ORDER BY md5(t::text)), '')) " \
                              "FROM #{connection.quote_ident(name)} t").values.first
      [name, {"rows" => row[0].to_i, "digest" => row[1]}]
    end
  end

  def connected
    connection = PG.connect(@url)
    connection.exec("SET timezone = 'UTC'")
    yield connection
  ensure
    connection&.close
  end

  # Files are there before the rows that name them, so they are copied after those.
  def copy_files(folder)
    inside = File.join(folder, "files")
    FileUtils.mkdir_p(inside)
    @files.copy_to(inside)
    return unless @secret && File.file?(@secret)
    FileUtils.cp(@secret, File.join(folder, "secret"))
    File.chmod(0o600, File.join(folder, "secret"))
  end

  def bring_files(folder)
    @files.bring_from(File.join(folder, "files"))
    kept = File.join(folder, "secret")
    WholeFile.write(@secret, File.read(kept), perm: 0o600) if @secret && File.file?(kept)
  end

  def manifest_in(folder)
    manifest = JSON.parse(File.read(File.join(folder, "manifest.json")))
    return manifest if manifest["version"] == VERSION
    raise Failed, "this backup is of another format (#{manifest["version"]})"
  rescue Errno::ENOENT, JSON::ParserError
    raise Failed, "this is no backup of Fenbo's"
  end

  def refuse_unless_empty
    there = connected { |connection| tables(connection).keys }
    raise Failed, "the database has tables already: a restore wants an empty one" if there.any?
    raise Failed, "#{@files} holds files already" if @files.digests.any?
  end

  def compare(manifest)
    wrong = differences(manifest)
    raise Failed, "not as it was: #{wrong.first(5).join(", ")}" if wrong.any?
  end

  def program(name)
    Dir["/usr/lib/postgresql/*/bin/#{name}"].max_by { |path| path[%r{postgresql/(\d+)}, 1].to_i } ||
      raise(Failed, "PostgreSQL's #{name} is not installed")
  end

  def run(*words)
    said, status = Open3.capture2e(*words)
    raise Failed, "#{File.basename(words.first)}: #{said.lines.last(3).join.strip}" unless status.success?
  end
end
