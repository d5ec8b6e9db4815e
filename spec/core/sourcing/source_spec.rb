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

  it "counts the hours that really pass where the clock is changed on the way" do
    # Saturday 15:20 to Sunday 16:20: 25 hours by the clock, 26 where it went back at 03:00.
    week = {"days" => [1, 2, 3, 4, 5, 6, 7], "from" => "08:00", "to" => "17:00"}
    asked = {now: "2031-10-25T15:20", work_hours: week, hours_to_limit: 30, stopgaps: [],
             offers: [{"id" => "van", "kind" => "van", "price_cents" => 1, "not_before" => "2031-10-26T15:20"}]}
    margin = ->(**more) { source(**asked, **more)[:options].first[:margin_hours] }
    expect(margin.call).to eq 5.0
    expect(margin.call(clock_changes: [{"at" => "2031-10-26T02:00", "hours" => -1}])).to eq 4.0
    expect(margin.call(clock_changes: [{"at" => "2031-10-26T03:00", "hours" => 1}])).to eq 6.0
    expect(margin.call(clock_changes: [{"at" => "2031-10-27T03:00", "hours" => 1}])).to eq 5.0
  end

  it "begins on another trip when somebody works and the site lets them in, and says what it waited for" do
    order = [{"id" => "order", "kind" => "order", "price_cents" => 1, "lead_days" => 1, "delivers_at" => "10:00"}]
    starts = ->(site_hours, **more) {
      source(now: "2031-05-05T14:00", offers: order, stopgaps: [], site_hours:, **more)[:options].map { |one|
        one[:start_at]
      }
    }
    expect([nil, "ring first", "Tue 8 to 18", "Tue 12 to 18", "Tue 10 to 10:30; Wed 7-9", "Sat 8-18; Thu 6 to 9"]
      .flat_map { |hours| starts[hours] })
      .to eq %w[10:00 10:00 10:00 12:00].map { |at| "2031-05-06T#{at}" } + %w[2031-05-07T08:00 2031-05-08T08:00]
    expect(starts["Sat 8-18", overtime_allowed: true]).to eq %w[2031-05-10T08:00]
    # No opening is long enough: as it would be, for somebody to see.
    expect(starts["Tue 12 to 12:30"]).to eq %w[2031-05-06T10:00]
    waits = source(now: "2031-05-05T14:00", offers: order, stopgaps: [], site_hours: "Tue 12 to 18").reasons
    expect(waits.map(&:rule)).to include "source.site_hours"
    # Whoever has the part at once is inside already.
    van = [{"id" => "van", "kind" => "van", "price_cents" => 1}]
    expect(starts["Tue 8 to 18", offers: van]).to eq %w[2031-05-05T14:00]
  end

  it "works over midnight where overtime may be worked, every minute of it paid so" do
    night = source(now: "2031-05-09T23:30", overtime_allowed: true, work_minutes: 60, stopgaps: [],
      offers: [{"id" => "van", "kind" => "van", "price_cents" => 0}])[:options]
    soon = night.find { |one| one[:overtime] }
    expect(soon).to include(finish_at: "2031-05-10T00:30", second_trip: false)
    expect(soon[:lines]).to include({what: "overtime", cents: 4800}) # 60 min × 96.00 × 0.5
    # On a Friday that runs half an hour past five: thirty minutes of it.
    late = source(now: "2031-05-09T16:30", overtime_allowed: true, stopgaps: [],
      offers: [{"id" => "van", "kind" => "van", "price_cents" => 0}])[:options].find { |one| one[:overtime] }
    expect(late[:lines]).to include({what: "overtime", cents: 2400})
  end

  it "keeps holidays, of the shop and of a counter" do
    easter = {"days" => [1, 2, 3, 4, 5], "from" => "08:00", "to" => "17:00", "closed" => ["2031-05-06", "2031-05-07"]}
    # Monday after the cut-off: placed Thursday for the holidays, Friday and Monday to come.
    expect(option(source(work_hours: easter), "order-b")[:finish_at]).to eq "2031-05-12T11:00"
    counter = {"id" => "c", "kind" => "counter", "price_cents" => 1,
               "open" => {"days" => [1, 2, 3, 4, 5], "from" => "07:30", "to" => "15:00", "closed" => ["2031-05-06"]}}
    expect(option(source(offers: [counter]), "c")[:finish_at]).to eq "2031-05-07T09:00"
    wrong = source(work_hours: easter.merge("closed" => ["Easter"]))
    expect(wrong.faults.map(&:field)).to eq ["work_hours.closed"]
  end

  it "moves the work to the slot it is given, never before the part is there" do
    van = {"id" => "van", "kind" => "van", "price_cents" => 8900}
    slot = ->(at) { source(offers: [van.merge("not_before" => at)], stopgaps: [])[:options].first }
    expect(slot["2031-05-06T10:15"]).to include(finish_at: "2031-05-06T11:15", start_at: "2031-05-06T10:15",
      second_trip: true)
    expect(slot["2031-05-05T09:00"]).to include(finish_at: "2031-05-05T16:20")
    expect(slot["2031-05-06T16:30"]).to include(finish_at: "2031-05-07T09:00")
    expect(source(offers: [van.merge("not_before" => "noon")]).faults.map(&:field)).to eq ["offers.0.not_before"]
  end

  it "says what a rule forbids, with its price and hour, and what cannot be had" do
    gone = {"id" => "gone", "kind" => "counter", "price_cents" => 1, "in_stock" => false,
            "open" => {"days" => [1], "from" => "08:00", "to" => "17:00"}}
    late = source(now: "2031-05-05T16:30", offers: [{"id" => "van", "kind" => "van", "price_cents" => 8900}, gone])
    expect(late[:ruled_out]).to contain_exactly(
      include(offer: "van", rule: "overtime", finish_at: "2031-05-05T17:30", total_cents: 8900 + 9600 + 2400),
      {offer: "gone", rule: "not in stock"}
    )
    expect(source(now: "2031-05-05T16:30", overtime_allowed: true)[:ruled_out]).to eq []
  end

  # Over random places: more time never costs more, overtime allowed never makes the best dearer,
  # and nothing on the frontier is beaten.
  it "holds what everybody expects of it" do
    random = Random.new(12)
    60.times do
      asked = any_question(random)
      best = ->(**more) { source(**asked, **more)[:options].map { |one| one[:total_cents] }.min }
      expect(best.call(hours_to_limit: asked[:hours_to_limit] * 2)).to be <= best.call
      expect(best.call(hours_to_limit: nil)).to be <= best.call
      expect(best.call(overtime_allowed: true)).to be <= best.call(overtime_allowed: false)
      rows = source(**asked)[:options].select { |one| one[:frontier] }
      rows.combination(2) { |one, other|
        expect((one[:finish_at] <=> other[:finish_at]) * (one[:total_cents] <=> other[:total_cents])).to be <= 0
      }
    end
  end

  def any_question(random)
    hour = ->(from, to) { format("%02d:%02d", random.rand(from..to), [0, 30].sample(random:)) }
    offers = Array.new(random.rand(1..6)) do |index|
      {"id" => "o#{index}", "kind" => %w[van counter order].sample(random:), "price_cents" => random.rand(1000..20_000),
       "open" => {"days" => [1, 2, 3, 4, 5], "from" => hour[6, 9], "to" => hour[15, 19]},
       "lead_days" => random.rand(0..4),
       "travel_minutes" => random.rand(0..120), "cutoff" => hour[10, 17], "delivers_at" => hour[7, 12]}
    end
    {now: "2031-05-#{format("%02d", random.rand(5..11))}T#{hour[5, 21]}", work_minutes: random.rand(20..240), offers:,
     hours_to_limit: random.rand(0.5..60.0), product_value_cents: random.rand(0..500_000)}
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
