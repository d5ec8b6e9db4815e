# frozen_string_literal: true

require_relative "app_spec_helper"

# The world that newcomers look at hangs together in time.
RSpec.describe Demo::World do
  [Finding, Reading, Decision].each do |kind|
    it "has no #{kind.model_name.human.downcase} from the future, before its job or before its visit" do
      made = "#{kind.table_name}.taken_at"
      rows = kind.joins(:job).left_joins(:visit).where(
        "#{made} > #{kind.table_name}.created_at + interval '1 minute' OR jobs.opened_at > #{made} OR " \
        "visits.starts_at > #{made}"
      )
      expect(kind.count).to be_positive
      expect(rows.map { |row| [row.job.number, row.taken_at] }).to eq []
    end
  end

  it "closed its decided jobs by day, on working days" do
    closed = Job.where(status: "closed").select(&:decision).map { |job| job.closed_at.getlocal }
    expect(closed.size).to be > 5
    expect(closed).to all(have_attributes(hour: be_between(10, 14), wday: be_between(1, 5)))
  end

  it "has nobody at two places at once" do
    open = Visit.where("starts_at <= now() AND ends_at IS NULL").joins(:job).where.not(jobs: {status: "closed"})
    expect(open.group(:technician_id).count.values).to all(eq 1)
  end
end
