# frozen_string_literal: true

require "uri"
require_relative "private_postgres"

# Two PostgreSQL servers: one is written, the other follows it in step, so that what was
# acknowledged is on both. Where the first dies, the second takes over.
class PostgresPair
  SETTINGS = {"max_wal_senders" => "4", "wal_keep_size" => "256MB", "hot_standby" => "on"}.freeze

  def initialize(root)
    @written = PrivatePostgres.new(root, name: "cluster-a", settings: SETTINGS)
    @following = PrivatePostgres.new(root, name: "cluster-b", settings: SETTINGS)
  end

  # Begins anew with an empty database.
  def start(database)
    @written.renew
    @written.create_database(database)
    rebuild
    self
  end

  def stop
    in_step(false)
    [@written, @following].each(&:stop)
  end

  # Names both; a client finds the one that is written by asking.
  def url(database)
    both = [@written, @following]
    "postgres:///#{database}?#{URI.encode_www_form(
      host: both.map { "127.0.0.1" }.join(","), port: both.map(&:port).join(","), user: PrivatePostgres::USER,
      password: @written.password, target_session_attrs: "read-write"
    ).gsub("%2C", ",")}"
  end

  def kill(which)
    ((which == :written) ? @written : @following).kill
  end

  # The written one is gone: the other is promoted, and waits for nobody.
  def fail_over
    @following.promote
    @written, @following = @following, @written
    in_step(false)
  end

  # The other one follows again, from a copy, and only then is waited for.
  def rebuild
    @following.renew(copy_of: @written)
    caught_up
    in_step(true)
  end

  # The one that follows is gone: what is written no longer waits for it.
  def go_on_alone = in_step(false)

  # Back after a kill, with all it had; nothing to copy.
  def follow_again
    @following.start
    caught_up
    in_step(true)
  end

  private

  def in_step(wanted)
    @written.ask("ALTER SYSTEM SET synchronous_standby_names = #{wanted ? "'*'" : "''"}")
    @written.ask("SELECT pg_reload_conf()")
  end

  def caught_up(tries = 600)
    tries.times do
      return if @written.ask("SELECT count(*) FROM pg_stat_replication WHERE state = 'streaming'") == "1"
      sleep 0.05
    end
    raise PrivatePostgres::Failed, "the copy does not follow"
  end
end
