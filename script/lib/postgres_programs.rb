# frozen_string_literal: true

require "open3"

# PostgreSQL's own programs, run as whoever its data belongs to.
module PostgresPrograms
  private

  def control(action, *rest) = run("pg_ctl", action, "-D", data, *rest)

  # pg_ctl's server keeps the output open, so it goes to a file and not a pipe.
  def run(*rest)
    environment = rest.first.is_a?(Hash) ? rest.shift : {}
    name = rest.shift
    words = File.join(@home, "#{name}.log")
    ok =
      File.open(words, "w") do |file|
        system(environment, *as_owner(program(name), *rest), out: file, err: file, in: File::NULL, chdir: "/",
          close_others: true)
      end
    raise PrivatePostgres::Failed, "#{name} failed: #{File.read(words).lines.last(3).join.strip}" unless ok
  end

  def psql(database, sql)
    out, status =
      Open3.capture2e(
        {"PGPASSWORD" => password},
        program("psql"), "-h", "127.0.0.1", "-p", port.to_s, "-U", PrivatePostgres::USER, "-d", database, "-Atqc", sql
      )
    raise PrivatePostgres::Failed, out unless status.success?
    out
  end

  def as_owner(*words) = root? ? ["runuser", "-u", owner, "--", *words] : words

  def program(name)
    found = Dir["/usr/lib/postgresql/*/bin/#{name}"].max_by { |path| path[%r{postgresql/(\d+)}, 1].to_i }
    found || raise(PrivatePostgres::Failed, "PostgreSQL's #{name} is not installed")
  end
end
