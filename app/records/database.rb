# frozen_string_literal: true

# The connection to PostgreSQL and what its absence looks like.
module Database
  THREADS = Integer(ENV.fetch("FENBO_THREADS", "5"))

  # How long a page waits for one answer, in seconds.
  PATIENCE = 2.5
  BESIDE_PAGES = 15

  # What is raised when the database is gone, at any point of a request.
  AWAY = [ActiveRecord::ConnectionNotEstablished, ActiveRecord::ConnectionFailed, ActiveRecord::ConnectionTimeoutError,
    ActiveRecord::NoDatabaseError, PG::ConnectionBad, PG::UnableToSend, PG::AdminShutdown, PG::CrashShutdown].freeze

  # The same, where it is there and cannot do what it is asked.
  AWAY_FOR_NOW = [*AWAY, PG::DiskFull, PG::QueryCanceled, PG::LockNotAvailable].freeze

  module_function

  # @param patience [Float, nil] seconds a page waits for one answer at most; beside the pages
  #   there is more time
  def connect(url = ENV.fetch("DATABASE_URL"), patience: nil)
    Patience.bring(patience) if patience
    ActiveRecord.default_timezone = :utc
    # A little sooner than the page, so that a slow answer is told from none.
    statement_timeout = "#{((patience || BESIDE_PAGES) * 900).round}ms"
    ActiveRecord::Base.establish_connection(url:, pool: THREADS + 3, connect_timeout: 2, checkout_timeout: 3,
      variables: {statement_timeout:, jit: "off", random_page_cost: 1.1}, prepared_statements: true)
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
