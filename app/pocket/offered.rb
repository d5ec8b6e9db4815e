# frozen_string_literal: true

module Pocket
  # The open jobs that somebody may want along: what was asked for, then those of today's visits,
  # one's own and nobody's, the newest before older ones. The office takes none along.
  class Offered
    MOST = 30
    private_constant :MOST

    # @param user [User] who carries the phone
    # @param asked [Integer, nil] a job's number that stands before all others, whosever it is
    def initialize(user, asked = nil)
      @user = user
      @asked = asked
    end

    # @return [Array<Job>] thirty at most
    def jobs
      @jobs ||= Job.includes(unit: :site).find(ids.first(MOST))
    end

    # @return [Integer] how many more there are
    def more = ids.size - jobs.size

    # @return [Array<Integer>] numbers of the jobs that this person's visits of today are for
    def today = visited.order(:number).limit(MOST).pluck(:number)

    private

    def ids
      @ids ||= [asked, visited, still_open(@user), still_open(nil)].flat_map { |jobs|
        jobs.order(number: :desc).ids
      }.uniq
    end

    def asked = Job.open.where(number: @asked)

    def visited
      day = Date.today.beginning_of_day..Date.today.end_of_day
      Job.open.where(id: Visit.where(technician: @user, starts_at: day, ends_at: nil).select(:job_id))
    end

    def still_open(technician) = Job.open.where(technician:)
  end
end
