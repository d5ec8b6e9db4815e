# frozen_string_literal: true

# The connection to PostgreSQL and what its absence looks like.
module Database
  THREADS = Integer(ENV.fetch("FENBO_THREADS", "5"))

  # What is raised when the database is gone, at any point of a request.
  AWAY = [ActiveRecord::ConnectionNotEstablished, ActiveRecord::ConnectionFailed, ActiveRecord::ConnectionTimeoutError,
    ActiveRecord::NoDatabaseError, PG::ConnectionBad, PG::UnableToSend, PG::AdminShutdown, PG::CrashShutdown].freeze

  module_function

  def connect(url = ENV.fetch("DATABASE_URL"))
    ActiveRecord.default_timezone = :utc
    ActiveRecord::Base.establish_connection(url:, pool: THREADS + 3, connect_timeout: 3, checkout_timeout: 5,
      variables: {statement_timeout: "15s", jit: "off", random_page_cost: 1.1}, prepared_statements: true)
    Que.connection = ActiveRecord
  end

  def alive?
    ActiveRecord::Base.connection_pool.with_connection { |connection| connection.select_value("SELECT 1") == 1 }
  rescue *AWAY, ActiveRecord::StatementInvalid
    false
  end

  # Gives the thread's connection back after each request.
  class Release
    def initialize(app)
      @app = app
    end

    def call(env)
      ActiveRecord::Base.cache { @app.call(env) }
    ensure
      Current.reset
      ActiveRecord::Base.connection_handler.clear_active_connections!
    end
  end
end
