# frozen_string_literal: true

require_relative "app_spec_helper"

# A page asks for the job file once; what else it asks is counted, so that it stays few.
RSpec.describe "questions to the database", :rolled_back do
  at_most = {station: 12, bench: 6}

  before do
    sign_in create(:user, role: "technician")
  end

  def asked(path)
    found = []
    counter = ActiveSupport::Notifications.subscribe("sql.active_record") do |*, payload|
      found << payload[:sql] unless payload[:name] == "SCHEMA" || payload[:sql].match?(/\A(SAVEPOINT|RELEASE)/)
    end
    get path
    expect([path, status]).to eq [path, 200]
    found
  ensure
    ActiveSupport::Notifications.unsubscribe(counter)
  end

  # The second look: what the process keeps for itself is there by then.
  def settled(path)
    get path
    asked(path)
  end

  it "are at most #{at_most[:station]} for any page of any station, the job file asked for once" do
    numbers = [Job.open, Job.where(status: "closed").limit(4)].flat_map { |jobs| jobs.pluck(:number) }
    paths = numbers.product(Fenbo::JobFile::STATIONS).map { |number, station| "/jobs/#{number}/#{station}" }
    counts = paths.to_h { |path| [path, settled(path)] }
    puts "most questions a station page: #{counts.values.map(&:size).max}"
    expect(counts.select { |_, all| all.size > at_most[:station] }.transform_values(&:size)).to eq({})
    expect(counts.values.map { |all| all.count { |sql| sql.include?("One job with everything") } }.uniq).to eq [1]
  end

  it "are at most #{at_most[:bench]} for any instrument of the pocket bench" do
    counts = Shared::Instrument::ALL.keys.to_h { |tool| ["/bench/#{tool}", settled("/bench/#{tool}")] }
    puts "most questions a bench page: #{counts.values.map(&:size).max}"
    expect(counts.select { |_, all| all.size > at_most[:bench] }.transform_values(&:size)).to eq({})
  end
end
