# frozen_string_literal: true

RSpec.describe Fenbo::Sourcing::WorkHours do
  week = described_class.read(Fenbo::Input.new({"days" => [1, 2, 3, 4, 5], "from" => "08:00", "to" => "17:00"}))
  at = ->(day, hour, minute = 0) { Time.utc(2031, 5, day, hour, minute) } # 5 May 2031 is a Monday

  it "is open from its first to before its last minute, on its days only" do
    expect([at[5, 8], at[5, 16, 59], at[9, 12]].map { |time| week.open?(time) }).to all(be true)
    expect([at[5, 7, 59], at[5, 17], at[10, 12], at[11, 12]].map { |time| week.open?(time) }).to all(be false)
  end

  it "finds the next opening over nights and weekends" do
    expect(week.next_open(at[5, 12])).to eq at[5, 12]
    expect(week.next_open(at[5, 6])).to eq at[5, 8]
    expect(week.next_open(at[5, 18])).to eq at[6, 8]
    expect(week.next_open(at[9, 17])).to eq at[12, 8]
  end

  it "counts working days and minutes outside" do
    expect(week.working_days_after(at[9, 14], 1, 600)).to eq at[12, 10]
    expect(week.working_days_after(at[5, 14], 0, 600)).to eq at[5, 10]
    expect(week.minutes_outside(at[5, 16, 30], at[5, 18])).to eq 60
  end

  it "refuses a week that cannot be" do
    refuse = ->(row) { Fenbo::Input.new(row).tap { |input| described_class.read(input) }.refusal.faults.map(&:field) }
    expect(refuse[{"days" => [], "from" => "08:00", "to" => "07:00"}]).to contain_exactly("days", "to")
    expect(refuse[{"days" => [1], "from" => "24:00", "to" => "7"}]).to contain_exactly("from", "to")
  end
end
