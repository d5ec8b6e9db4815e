# frozen_string_literal: true

# When a part is in the hand, and what one way of getting it costs.
RSpec.describe Fenbo::Sourcing do
  limits = Fenbo::Limits.default
  example = Fenbo::Tools.entry("source").example

  define_method(:question) do |**changes|
    Fenbo::Sourcing::Question.read(Fenbo::Input.new(example.merge(changes.transform_keys(&:to_s))))
  end
  define_method(:offer) { |**row|
    Fenbo::Sourcing::Offer.read(Fenbo::Input.new({"price_cents" => 5000}.merge(row.transform_keys(&:to_s))))
  }
  at = ->(text) { Time.utc(*text.scan(/\d+/).map(&:to_i)) }

  describe Fenbo::Sourcing::Ready do
    # Monday 2031-05-05; the shop works Monday to Friday, 8 to 17.
    open = {"days" => [1, 2, 3, 4, 5], "from" => "07:00", "to" => "17:00"}
    define_method(:ready) { |row, from| described_class.of(offer(**row), question(now: from), at[from]) }

    it "has at once what lies in the van" do
      expect(ready({id: "v", kind: "van"},
        "2031-05-05T15:20")).to have_attributes(at: at["2031-05-05T15:20"], second_trip: false)
    end

    counter = {id: "c", kind: "counter", open:, travel_minutes: 40}

    it "drives to a counter and back while it is open, else the next morning as a second trip" do
      expect(ready(counter, "2031-05-05T15:20")).to have_attributes(at: at["2031-05-05T16:00"], second_trip: false)
      expect(ready(counter, "2031-05-05T16:50")).to have_attributes(at: at["2031-05-06T07:20"], second_trip: true)
      expect(ready(counter, "2031-05-09T16:50")).to have_attributes(at: at["2031-05-12T07:20"], second_trip: true)
      expect(ready(counter.merge(in_stock: false), "2031-05-05T15:20")).to have_attributes(at: nil, why: "not in stock")
    end

    order = {id: "o", kind: "order", lead_days: 1, cutoff: "15:00", delivers_at: "10:00"}

    it "counts an order from the day it is placed in time, over the weekend too" do
      expect(ready(order, "2031-05-05T14:59").at).to eq at["2031-05-06T10:00"]
      expect(ready(order, "2031-05-05T15:00").at).to eq at["2031-05-06T10:00"]
      expect(ready(order, "2031-05-05T15:01").at).to eq at["2031-05-07T10:00"]
      expect(ready(order, "2031-05-09T15:01").at).to eq at["2031-05-13T10:00"]
      expect(ready(order, "2031-05-10T09:00").at).to eq at["2031-05-13T10:00"]
    end
  end

  describe Fenbo::Sourcing::Option do
    define_method(:option) do |row = {id: "v", kind: "van"}, stopgap: nil, overtime: false, **changes|
      described_class.new(offer(**row), stopgap, question(**changes), limits, overtime:)
    end

    it "works in one piece, and begins the next morning what would run past closing" do
      expect(option(now: "2031-05-05T15:20", work_minutes: 60).finish).to eq at["2031-05-05T16:20"]
      expect(option(now: "2031-05-05T16:20",
        work_minutes: 60)).to have_attributes(second_trip?: true, finish: at["2031-05-06T09:00"])
      expect(option(now: "2031-05-05T16:20", work_minutes: 60, overtime: true).finish).to eq at["2031-05-05T17:20"]
      # Longer than any day: from opening on, past closing.
      expect(option(now: "2031-05-05T16:20", work_minutes: 720).finish).to eq at["2031-05-06T20:00"]
    end

    it "adds what is bought besides to every way of getting the part" do
      lines = option(besides_cents: 1490).lines.to_h { |line| line.values_at(:what, :cents) }
      expect(lines).to include("parts" => 5000, "besides" => 1490)
    end

    it "adds up its lines in whole cents, with the product where it comes too late" do
      late = option(now: "2031-05-05T16:20", work_minutes: 61, hours_to_limit: 3.0, product_value_cents: 123_456)
      expect(late.lines.map { |line| line[:cents] }).to all be_an(Integer)
      expect(late.product_loss_cents).to eq 123_456
      expect(late.total_cents).to eq late.lines.sum { |line| line[:cents] } + 123_456
      expect(option(hours_to_limit: nil).product_loss_cents).to eq 0
    end

    it "takes a stopgap's minutes first and its hours for the product's" do
      stopgap = Fenbo::Sourcing::Stopgap.new(id: "ice", minutes: 30, hours_to_limit: 20)
      held = option(stopgap:, now: "2031-05-05T09:00", work_minutes: 60, hours_to_limit: 1.0)
      expect(held).to have_attributes(finish: at["2031-05-05T10:30"], hours_to_limit: 20, product_loss_cents: 0)
      expect(held.lines.map { |line| line[:what] }).to include "stopgap"
    end
  end
end
