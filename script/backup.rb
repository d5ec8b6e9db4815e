# frozen_string_literal: true

# The second half of bin/backup and bin/restore. The private database is started where it
# does not run, and stopped again.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require_relative "lib/backup"
require_relative "lib/private_postgres"
require_relative "lib/secrets"

ROOT = File.expand_path("..", __dir__)
action, path = ARGV

def give_up(why) = abort("\nThat did not work: #{why}. Nothing was changed.")

give_up("#{path} is not there") if action == "restore" && !File.file?(path)
unless (url = ENV["DATABASE_URL"])
  postgres = PrivatePostgres.new(ROOT)
  ran = postgres.running?
  postgres.start
  at_exit { postgres.stop unless ran }
  postgres.create_database("fenbo")
  url = postgres.url("fenbo")
end
backup = Backup.new(url:, files: KeptFiles.here, secret: File.join(ROOT, "var", "secret"))
begin
  manifest = (action == "restore") ? backup.restore(path) : backup.write(path)
rescue Backup::Failed, PG::Error, SystemCallError => problem
  give_up(problem.message.strip)
rescue => problem
  FileStore.away?(problem) ? give_up("the store of the files is away: #{problem.message}") : raise
end
rows = manifest["tables"].values.sum { |one| one["rows"] }
puts "  #{rows} rows in #{manifest["tables"].size} tables, #{manifest["files"].size} files, of #{manifest["made_at"]}"
done = {"backup" => "Kept in #{path}, readable by you alone.",
        "restore" => "All of it is back, compared row by row: bin/start"}
puts "  #{done.fetch(action)}"
