# frozen_string_literal: true

require "spec_helper"

RSpec.describe Fenbo::Sourcing::SiteHours do
  # Of a week that begins on Monday 5 May 2031: which whole hours are open.
  def open_at(text)
    hours = described_class.read(text)
    hours && (0...168).select { |hour|
      start = Time.utc(2031, 5, 5) + hour * 3600
      hours.open?(start, start + 3600)
    }
  end

  def week(days, hours)
    days.flat_map { |day| hours.map { |hour| day * 24 + hour } }
  end

  it "reads days and hours as people write them" do
    {"Mon to Fri 07:00 to 18:00" => week(0..4, 7..17), "Daily 04:00 to 19:00" => week(0..6, 4..18),
     "mon-fri: 8-17; Sat 8.30–12" => week(0..4, 8..16) + week([5], 9..11),
     "Monday, Wednesday and Friday 8am to 5 pm" => week([0, 2, 4], 8..16), "9 to 18" => week(0..6, 9..17),
     "Sat to Mon 10 to 12" => week([0, 5, 6], 10..11),
     "Tue 8 to 12, Tue 13 to 17" => week([1], [*8..11, *13..16])}.each do |text, open|
      expect([text, open_at(text)]).to eq [text, open]
    end
  end

  it "takes nothing for hours that it does not understand" do
    [nil, "", "always", "May to October", "Mon to Fri 8 to 17, ring first", "Mon 18 to 7", "Mon 8 to 77",
      "Mon to Fri", "Mon 8 to 24:30", "Mon 8 to 99pm", "Mon 13pm to 5pm", "Mon to Wed to Fri 8 to 17"].each do |text|
      expect([text, described_class.read(text)]).to eq [text, nil]
    end
  end

  it "breaks at nothing that somebody may have noted" do
    random = Random.new(7)
    words = %w[mon tue fri to - and , ; 8 17 24 24:30 99 8.75 am pm daily : x]
    2000.times do
      text = Array.new(random.rand(1..9)) { words.sample(random:) }.join((random.rand < 0.8) ? " " : "")
      expect([text, described_class.closed?(text, Time.utc(2031, 5, 5, 9), Time.utc(2031, 5, 5, 10))])
        .to match [text, be(true).or(be(false))]
    end
  end

  it "wants a visit inside one span, not across a closed lunch" do
    hours = described_class.read("Mon 8 to 12; Mon 13 to 17")
    expect([hours.open?(Time.utc(2031, 5, 5, 11), Time.utc(2031, 5, 5, 12)),
      hours.open?(Time.utc(2031, 5, 5, 11, 30), Time.utc(2031, 5, 5, 13, 30))]).to eq [true, false]
  end
end
