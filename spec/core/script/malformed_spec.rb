# frozen_string_literal: true

require_relative "../../../script/lib/malformed"

RSpec.describe Malformed do
  def sent(seed, count = 300)
    one = described_class.new([["GET", "/jobs/:number/look"], ["POST", "/jobs/:number/findings"]], %w[fan test], [7],
      Random.new(seed))
    Array.new(count) { one.next("a+token/=") }
  end

  it "sends the same again by the same seed, to every door, with what belongs there beside what does not" do
    expect(sent(3).map(&:to_a)).to eq sent(3).map(&:to_a)
    expect(sent(3).map(&:to_a)).not_to eq sent(4).map(&:to_a)
    list = sent(3)
    expect(list.map(&:verb).uniq).to contain_exactly("GET", "POST")
    expect(list.map { |one| one.path[%r{\A/jobs/7/}] }.tally.values).to all(be > 30)
    posts = list.select(&:body)
    expect(posts.count { |one|
      one.body.include?("authenticity_token=a%2Btoken%2F%3D")
    }).to be_between(1, posts.size - 1)
    expect(posts.map { |one| one.headers["Content-Type"] }.uniq.size).to be > 3
  end
end
