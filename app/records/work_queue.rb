# frozen_string_literal: true

# Work beside the requests: kept in the database until it is done, so that a killed
# process loses none of it; tried again where it broke off. script/worker.rb does it.
module WorkQueue
  # A piece of work that breaks off: what it was, how often it was tried, what went wrong.
  Broken = Struct.new(:work, :tries, :message, :given_up)

  # Work of every kind: a few tries, further and further apart.
  class Work < Que::Job
    TRIES = 4

    self.maximum_retry_count = TRIES - 1
    self.retry_interval = ->(count) { 5 * 4**count }

    private

    # Asked while an error is dealt with, which counts already.
    def last_try? = error_count >= TRIES
  end

  module_function

  # Nightly and hourly work is there once, whoever starts.
  def prepare
    Upkeep.tonight unless asked_for?("Upkeep")
    SilentVisits.in_an_hour unless asked_for?("SilentVisits")
  end

  def asked_for?(work)
    count("job_class = '#{work}' AND finished_at IS NULL AND expired_at IS NULL").positive?
  end
  private_class_method :asked_for?

  # How many pieces wait or are being done, nightly ones aside.
  def waiting
    count("finished_at IS NULL AND expired_at IS NULL AND run_at <= now()")
  end

  # @return [Array<Broken>] the newest first
  def broken
    rows =
      ActiveRecord::Base.connection.select_rows(
        "SELECT job_class, error_count, last_error_message, expired_at IS NOT NULL FROM que_jobs " \
        "WHERE error_count > 0 AND finished_at IS NULL ORDER BY id DESC LIMIT 20"
      )
    rows.map { |row| Broken.new(*row) }
  end

  def count(condition)
    ActiveRecord::Base.connection.select_value("SELECT count(*) FROM que_jobs WHERE #{condition}")
  end
  private_class_method :count
end
