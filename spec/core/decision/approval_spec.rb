# frozen_string_literal: true

require "spec_helper"

# When a customer has to be asked before more is spent.
RSpec.describe Fenbo::Decision::Approval, :made_jobs do
  def offer(cents, trip: 0, loss: 0)
    lines = {"parts" => cents, "second trip" => trip}.map { |what, sum| {"what" => what, "cents" => sum} }
    {"total_cents" => cents + trip + loss, "product_loss_cents" => loss, "lines" => lines}
  end

  def made(limit, quotes: [])
    site = Fenbo::JobFile::Site.new(uid: "site", name: "Quay", customer: Fenbo::JobFile::Customer.new(uid: "one",
      name: "Diner", overtime_allowed: false, approval_limit_cents: limit))
    made_job(unit: made_unit(site:), quotes:, decisions: [decided("winding_open")],
      part_choices: [chosen(offer: offer(20_000, trip: 6_500, loss: 90_000))])
  end

  # A yes to an option that came to so much before its discount, and after it.
  def yes(lines, net)
    answer = Fenbo::JobFile::QuoteAnswer.new(uid: "yes", verdict: "approved", option: "good", name: "Odile",
      how: "told", at: at(30), net_cents: net)
    Fenbo::JobFile::Quote.new(uid: "quote", version: 1, by: person, made_at: at(20), tax_percent: 20.0,
      answers: [answer], options: [{"id" => "good", "lines_cents" => lines, "net_cents" => net}])
  end

  it "asks above the limit, of what is taken together with one more" do
    approval = described_class.new(made(40_000))
    expect([approval.committed, approval.asks_with?]).to eq [26_500, false]
    expect([13_500, 13_501].map { |cents| approval.asks_with?(offer(cents)) }).to eq [false, true]
    expect(approval.asks_with?(offer(40_000), except: "evaporator-1.1")).to be false
    expect(described_class.new(made(nil)).asks_with?(offer(900_000))).to be false
  end

  it "counts a second trip once, as a quote does" do
    approval = described_class.new(made(40_000))
    expect([13_500, 13_501].map { |cents| approval.asks_with?(offer(cents, trip: 6_500)) }).to eq [false, true]
  end

  it "counts in full what another part had paid for, once that is decided anew" do
    shared = offer(13_500, trip: 6_500)
    shared["lines"] << {"what" => "paid with another part", "cents" => -6_500}
    shared["total_cents"] -= 6_500
    approval = described_class.new(made(20_000))
    expect(approval.asks_with?(shared, except: "evaporator-1.1")).to be false
    shared["lines"].first["cents"] += 1
    shared["total_cents"] += 1
    expect(approval.asks_with?(shared, except: "evaporator-1.1")).to be true
  end

  it "takes what was agreed as it was before its discount" do
    approval = described_class.new(made(30_000, quotes: [yes(50_000, 45_000)]))
    expect([approval.free_up_to, approval.asks?(45_001)]).to eq [45_000, true]
    expect(approval.comes_to(offer(33_500))).to eq (26_500 + 33_500) * 0.9
    expect([23_500, 23_501].map { |cents| approval.asks_with?(offer(cents, trip: 6_500)) }).to eq [false, true]
  end
end
