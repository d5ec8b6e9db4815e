# frozen_string_literal: true

require_relative "app_spec_helper"

# What is done every night, and that the next night is asked for.
RSpec.describe Upkeep, :rolled_back do
  let(:user) { create(:user) }

  it "is asked for the next three o'clock, once, whoever starts" do
    Que::Job.run_synchronously = false
    due = -> {
      Que.execute("SELECT run_at FROM que_jobs WHERE job_class = 'Upkeep' ORDER BY id").map { |row|
        row[:run_at]
      }
    }
    before = due.call.size
    [1, 3, 14].each { |hour| described_class.tonight(Time.new(2031, 5, 5, hour)) }
    expect(due.call.drop(before).map { |time|
      time.getlocal.strftime("%-d %H:%M")
    }).to eq ["5 03:00", "6 03:00", "6 03:00"]
    expect { 2.times { WorkQueue.prepare } }.not_to change { due.call.size }
  ensure
    Que::Job.run_synchronously = true
  end

  it "drops what has run out and keeps what has not" do
    old = ->(model, days) { model.update_all(created_at: days.days.ago) }
    page = ->(days) {
      RefusedPage.create!(user:, body: "typed").tap { |one| old[RefusedPage.where(id: one.id), days] }
    }
    stale, fresh = page[3], page[1]
    ended = [15, 13].map { |days|
      EndedSession.create!(key: SecureRandom.hex(16), ended_at: days.days.ago)
    }
    posts = [31, 29].map { |days|
      TakenPost.keep(SecureRandom.hex(32), {"status" => 303}, by: user)
      TakenPost.order(:created_at).last.tap { |one| old[TakenPost.where(digest: one.digest), days] }
    }
    expect(ShopExperience).to receive(:recount)
    Que::Job.run_synchronously = false
    described_class.new({}).tap { |work| allow(work).to receive(:finish) }.run
    expect(RefusedPage.where(id: [stale, fresh]).pluck(:id)).to eq [fresh.id]
    expect(EndedSession.where(key: ended.map(&:key)).pluck(:key)).to eq [ended.last.key]
    expect(TakenPost.where(digest: posts.map(&:digest)).count).to eq 1
  ensure
    Que::Job.run_synchronously = true
  end
end
