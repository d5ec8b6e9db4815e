# frozen_string_literal: true

RSpec.describe Fenbo::Sourcing::Source do
  def source(**changes)
    described_class.call(Fenbo::Tools.entry("source").example.merge(changes.transform_keys(&:to_s)))
  end

  def option(result, offer, stopgap: nil)
    result[:options].find { |one| one[:offer] == offer && one[:stopgap] == stopgap }
  end

  it "answers the contract's example" do
    result = source
    expect(result.verdict).to eq "van"
    expect(option(result, "van")).to include(
      finish_at: "2031-05-05T16:20",
      total_cents: 18_500,
      product_loss_cents: 0,
      margin_hours: 8.1,
      frontier: true,
      second_trip: false
    )
  end

  it "follows opening hours, cut-offs, working days and the second trip" do
    result = source
    expect(option(result, "counter-a")).to include(finish_at: "2031-05-05T16:55")
    # Monday 15:20 is after the cut-off: placed Tuesday, two working days, Thursday 10:00.
    expect(option(result, "order-b")).to include(
      finish_at: "2031-05-08T11:00",
      second_trip: true,
      product_loss_cents: 400_000
    )
    friday = source(now: "2031-05-09T14:00")
    expect(option(friday, "order-b")[:finish_at]).to eq "2031-05-13T11:00"
    expect(option(source(now: "2031-05-05T16:30"), "counter-a")[:finish_at]).to eq "2031-05-06T09:00"
  end

  it "never works outside the hours without leave, and prices overtime with it" do
    late = source(now: "2031-05-05T16:30")
    expect(option(late, "van")).to include(finish_at: "2031-05-06T09:00", second_trip: true)
    allowed = source(now: "2031-05-05T16:30", overtime_allowed: true)
    soon = allowed[:options].find { |one| one[:offer] == "van" && one[:overtime] && one[:stopgap].nil? }
    expect(soon[:finish_at]).to eq "2031-05-05T17:30"
    expect(soon[:lines]).to include({what: "overtime", cents: 2400}) # 30 min × 96.00 × 0.5
  end

  it "reckons half the product in the last quarter of its time, all of it when late" do
    losses = [4.1, 1.2, 0.9].map { |hours| option(source(hours_to_limit: hours), "van")[:product_loss_cents] }
    expect(losses).to eq [0, 200_000, 400_000]
  end

  it "recommends by the hours too late where every way is too late, not the cheapest" do
    late = {now: "2031-05-09T16:30", hours_to_limit: 3.0, product_value_cents: 400_000, stopgaps: []}
    ways = [{"id" => "near", "kind" => "counter", "price_cents" => 9000, "travel_minutes" => 20,
             "open" => {"days" => [6], "from" => "08:00", "to" => "12:00"}},
      {"id" => "far", "kind" => "order", "price_cents" => 5000, "lead_days" => 4}]
    week = {"days" => [1, 2, 3, 4, 5, 6], "from" => "08:00", "to" => "17:00"}
    result = source(**late, offers: ways, work_hours: week)
    expect(result[:options].map { |one| one[:product_loss_cents] }.uniq).to eq [400_000]
    expect(result.verdict).to eq "near"
    expect(result.reasons.first).to have_attributes(rule: "sourcing.late_hour_loss")
    # With nothing to lose the cheapest stands.
    expect(source(**late, offers: ways, work_hours: week, product_value_cents: 0).verdict).to eq "far"
  end

  it "marks as frontier exactly what no other beats" do
    rows = source[:options]
    rows.each do |one|
      beaten =
        rows.any? do |other|
          other[:finish_at] <= one[:finish_at] && other[:total_cents] <= one[:total_cents] &&
            (other[:finish_at] < one[:finish_at] || other[:total_cents] < one[:total_cents])
        end
      expect(one[:frontier]).to eq !beaten
    end
  end

  it "names every wrong field at once" do
    refusal =
      source(
        now: "2031-02-30T10:00",
        work_minutes: 0,
        work_hours: {
          "days" => [9],
          "from" => "8",
          "to" => "17:00"
        },
        offers: [{"id" => "x", "kind" => "drone", "price_cents" => -1}]
      )
    expect(refusal.faults.map(&:field)).to include(
      "now", "work_minutes", "work_hours.days.0", "work_hours.from", "offers.0.kind", "offers.0.price_cents"
    )
  end
end
