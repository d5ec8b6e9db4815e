# frozen_string_literal: true

# What is done every night: what the shop's jobs teach is counted anew, files made to be
# fetched, refused pages, answers of posts, ended sessions and throttles that have run out are
# dropped, and the tables that grow are made quick to read.
class Upkeep < WorkQueue::Work
  HOUR = 3
  GROWING = %w[readings findings motors blades].freeze

  def self.tonight(now = Time.now)
    at = Time.new(now.year, now.month, now.day, HOUR)
    enqueue(job_options: {run_at: (at > now) ? at : at + 86_400})
  end

  def run
    ShopExperience.recount
    ReportBundle.drop_old
    RefusedPage.drop_old
    TakenPost.drop_old
    EndedSession.sweep
    connection = ActiveRecord::Base.connection
    connection.execute("DELETE FROM throttles WHERE expires_at < now() AT TIME ZONE 'UTC'")
    # Not inside a transaction of somebody else's.
    GROWING.each { |table| connection.execute("VACUUM (ANALYZE) #{table}") } unless connection.transaction_open?
    # The next night is asked for together with this one's end.
    ActiveRecord::Base.transaction do
      Upkeep.tonight
      finish
    end
  end
end
