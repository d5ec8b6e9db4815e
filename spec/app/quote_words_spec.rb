# frozen_string_literal: true

require_relative "app_spec_helper"

# What a customer reads of a quote's options: each by what it adds to the one before.
RSpec.describe Stations::Source::QuoteWords do
  let(:words) { Class.new { include Stations::Source::QuoteWords }.new }

  def option(id, *lines)
    {"id" => id, "lines" => lines.map { |what, cents| {"what" => what, "cents" => cents} }}
  end

  motor, cleaning = ["motor BR-S12-230-L", 8000], ["cleaning", 6000]
  neighbour = [Stations::Source::QuoteBuilder::NEIGHBOUR, 9000]
  less = ["motor BR-E12-230 instead, which takes less", 2000]

  it "tells what each option adds, and all of the one before it in one line" do
    options = [option("good", motor), option("better", motor, cleaning, neighbour),
      option("best", motor, cleaning, neighbour, neighbour, less)]
    told = words.with_before(options).map { |one, before|
      [words.option_words(one, before), words.option_lines(one, before).map { |line| line.values_at("what", "cents") }]
    }
    expect(told).to eq [
      ["what restores cooling", [motor]],
      ["and cleaning and neighbours' motors on the same visit", [["all of Good", 8000], cleaning, neighbour]],
      ["and neighbours' motors on the same visit and a motor that takes less power",
        [["all of Better", 23_000], neighbour, less]]
    ]
  end

  it "tells an option whole that does not begin with the one before it" do
    expect(words.option_lines(option("better", cleaning), option("good", motor)).map { |line| line["what"] })
      .to eq ["cleaning"]
  end
end
