# frozen_string_literal: true

# Counts for Rack::Attack in PostgreSQL, so that they hold across processes.
class ThrottleStore
  COUNT = <<~SQL
    INSERT INTO throttles (key, count, expires_at) VALUES ($1, $2, $3)
    ON CONFLICT (key) DO UPDATE SET
      count = CASE WHEN throttles.expires_at < now() THEN EXCLUDED.count ELSE throttles.count + EXCLUDED.count END,
      expires_at = CASE WHEN throttles.expires_at < now() THEN EXCLUDED.expires_at ELSE throttles.expires_at END
    RETURNING count
  SQL

  def increment(key, amount, expires_in: 60)
    sweep if rand(100).zero?
    row = query(COUNT, [key, amount, Time.now.utc + expires_in])
    row.rows.first.first.to_i
  end

  def read(key)
    query("SELECT count FROM throttles WHERE key = $1 AND expires_at > now()", [key]).rows.dig(0, 0)
  end

  def write(key, value, expires_in: 60)
    increment(key, value.to_i, expires_in:)
  end

  def delete(key)
    query("DELETE FROM throttles WHERE key = $1", [key])
  end

  private

  # Old rows go now and then, by whoever happens to pass.
  def sweep = query("DELETE FROM throttles WHERE expires_at < now()", [])

  def query(sql, values)
    ActiveRecord::Base.connection_pool.with_connection { |connection| connection.exec_query(sql, "Throttle", values) }
  end
end
