# frozen_string_literal: true

require_relative "stopwatch"

# What one page costs inside: questions to the database, milliseconds in them and in the
# core. Stands around the application in the bench's server and says it in a header.
class PageCounts
  HEADER = "x-page-counts"
  KEY = :page_counts

  # Around the core's one door; a tool that asks another is counted once.
  module Core
    def call(...)
      counts = Thread.current[KEY]
      return super if counts.nil? || counts[:inside]
      counts[:inside] = true
      answer = nil
      counts[:core] += Stopwatch.timed { answer = super(...) }
      counts[:inside] = false
      answer
    end
  end

  def initialize(app)
    @app = app
    Fenbo::Tools.singleton_class.prepend(Core)
    ActiveSupport::Notifications.subscribe("sql.active_record") do |*, payload|
      counts = Thread.current[KEY]
      next if counts.nil? || payload[:cached] || payload[:name] == "SCHEMA"
      counts[:queries] += 1
    end
    ActiveSupport::Notifications.subscribe("sql.active_record") do |event|
      counts = Thread.current[KEY] and counts[:sql] += event.duration / 1000
    end
  end

  def call(env)
    counts = Thread.current[KEY] = {queries: 0, sql: 0.0, core: 0.0}
    status, headers, body = @app.call(env)
    said = [counts[:queries], counts[:sql], counts[:core]].join(" ")
    [status, headers.merge(HEADER => said), body]
  ensure
    Thread.current[KEY] = nil
  end

  # @return [Array] queries, ms in SQL, ms in the core, as a response's header says
  def self.of(response)
    queries, sql, core = response[HEADER].to_s.split
    [queries.to_i, (sql.to_f * 1000).round(1), (core.to_f * 1000).round(1)]
  end
end
