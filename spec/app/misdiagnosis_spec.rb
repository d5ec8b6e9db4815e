# frozen_string_literal: true

require_relative "app_spec_helper"

# A return that found another cause: what was said first, and the test that would have told.
RSpec.describe Misdiagnosis, :rolled_back do
  let(:unit) { create(:unit) }
  let(:technician) { create(:user) }

  def closed(cause, tests: [], **more)
    job = create(:job, unit:, fan_position: unit.position("evaporator-1"), **more)
    book = Logbook.new(job, technician)
    tests.each { |test, outcome|
      book.take(Entries::Finding.new(id: SecureRandom.uuid, fan: "evaporator-1", test:, outcome:))
    }
    if cause
      book.take(Entries::Decision.new(id: SecureRandom.uuid, fault: "evaporator-1", causes: [cause], proposed: cause,
        action_taken: "replace", standing: {}))
    end
    job.tap { |one| one.reload.update!(status: "closed", closed_at: Time.now) }
  end

  def found = described_class.all.select { |one| one.later.unit_id == unit.id }

  it "counts a return whose cause is another, and names the best test that was not made" do
    first = closed("bearing_worn", tests: [%w[noise grinding]])
    closed("mount_loose", return_of: first)
    one = found.sole
    expect([one.said, one.found, one.first]).to eq [["bearing_worn"], ["mount_loose"], first]
    told = one.would_have_told
    expect(told.id).not_to eq "noise"
    expect(%w[mount_check spin_by_hand shaft_play sound_recording]).to include told.id
    expect(described_class.corrected_ids).to include first.id
  end

  it "would have been told by the next best where the best was made" do
    first = closed("bearing_worn")
    later = closed("mount_loose", return_of: first)
    best = described_class.new(later).would_have_told.id
    outcome = Fenbo::Diagnosis::Test[best].outcomes.first
    Finding.create!(job: first, test: best, outcome:, user: technician, client_id: SecureRandom.uuid,
      taken_at: Time.now)
    expect(described_class.new(later.reload.tap { |job| job.return_of.reload }).would_have_told.id).not_to eq best
  end

  it "counts no return that found the same, or nothing, nor a job that is open" do
    first = closed("bearing_worn")
    closed("bearing_worn", return_of: first)
    closed(nil, return_of: first)
    open = closed("mount_loose", return_of: first)
    Job.where(id: open.id).update_all(status: "open")
    closed("mount_loose", return_of: closed(nil))
    expect(found).to eq []
  end

  it "has no test for a cause that this unit cannot have" do
    first = closed("bearing_worn")
    later = closed("winding_open", return_of: first)
    one = described_class.new(later)
    allow(one).to receive(:found).and_return(["compressor_of_the_moon"])
    expect(one.would_have_told).to be_nil
  end
end
