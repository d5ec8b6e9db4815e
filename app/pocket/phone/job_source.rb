# frozen_string_literal: true

# The job as it stands on this phone.
module JobSource
  # @raise [ActiveRecord::RecordNotFound]
  def self.numbered(number)
    raise ActiveRecord::RecordNotFound unless Phone.pack && Phone.pack.job.number == number
    Phone.pack.job
  end
end
