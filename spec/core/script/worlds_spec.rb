# frozen_string_literal: true

require_relative "../../../script/lib/errand"
require_relative "../../../script/lib/strategies"
require_relative "../../../script/lib/worlds"

# The two worlds that diagnosis is held against: alike in shape, and a bench run on a few jobs.
RSpec.describe Worlds do
  it "draws jobs by their number, with companions, in both worlds" do
    Worlds::ALL.each do |world|
      jobs = (0...300).map { |number| world.draw(1, number) }
      expect(world.draw(1, 5).faults).to eq jobs[5].faults
      sizes = jobs.map { |job| job.faults.size }.tally
      expect(sizes.keys).to contain_exactly(0, 1, 2, 3)
      expect(sizes[2].fdiv(300)).to be_between(0.12, 0.28)
      jobs.each do |job|
        expect(job.faults - Fenbo::Diagnosis::Cause.all.keys).to eq []
        job.faults.each { |id| expect(job.rig.equipment.cause?(Fenbo::Diagnosis::Cause[id])).to be(true), id }
      end
    end
  end

  it "answers every test that exists there with one of its outcomes" do
    Worlds::ALL.each do |world|
      (0...60).each do |number|
        job = world.draw(2, number)
        Fenbo::Diagnosis::Test.all.each_value do |test|
          next unless job.rig.equipment.test?(test)
          expect(test.outcomes).to include(job.observer.see(test.id)), "#{world::NAME} #{test.id}"
        end
      end
    end
  end

  it "shows after a repair only what is left" do
    job = (0..).lazy.map { |number| Worlds::Second.draw(3, number) }.find { |one| one.faults.include?("drain_blocked") }
    expect(job.mended([]).observer.symptoms).to eq []
    expect(job.mended(["drain_blocked"]).faults).to eq ["drain_blocked"]
  end

  it "is right more often than the check-list in a third of its time, and says how sure it is", :slow do
    rows = Worlds::ALL.flat_map do |world|
      (0...50).map do |number|
        errand = Errand.new(world.draw(4, number))
        [errand.run(Strategies::Offered.new), errand.run(Strategies::CheckList.new(whole: true))]
      end
    end
    mine, list = rows.transpose
    expect(mine.count(&:right?)).to be >= 88
    expect(mine.sum(&:minutes)).to be < 0.45 * list.sum(&:minutes)
    expect(mine.sum(&:set_chance).fdiv(mine.size)).to be_within(0.12).of(mine.count(&:exact?).fdiv(mine.size))
  end
end
