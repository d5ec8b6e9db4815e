# frozen_string_literal: true

module Shared
  # A job that several presses follow each other on, within one transaction: its row, held until
  # it ends, and what its file said. Both are good for as long as a press only adds findings.
  class JobInHand
    ADDS = %r{\A/jobs/\d+/findings(/round)?\z}
    private_constant :ADDS

    # @param number [Integer]
    # @return [JobInHand, nil] nil where there is no such job
    def self.held(number)
      new(number) if Job.lock.where(number:).pick(:id)
    end

    def initialize(number)
      @number = number
    end

    def record
      @record ||= Job.find_by!(number: @number).tap { |row| row.held = true }
    end

    # What it says of fans and faults, which no finding changes.
    # @return [Fenbo::JobFile::Job]
    def job = @job ||= JobSource.numbered(@number)

    # After a press: what it may have changed is read anew.
    def after(path, taken)
      @record = @job = nil unless taken && ADDS.match?(path)
    end
  end
end
