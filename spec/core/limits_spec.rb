# frozen_string_literal: true

require "json"
require "yaml"
require "fenbo/kernel/knowledge_check"

RSpec.describe Fenbo::Limits do
  it "knows each limit with its unit, its words and where it is from" do
    expect(described_class.default["amps.window_low"]).to eq 0.75
    described_class.entries.each_key do |name|
      expect(
        [described_class.default.unit(name), described_class.default.text(name), described_class.default.source(name)]
      ).to all(be_a(String)),
        name
    end
  end

  it "lays a shop's figures over the trade's without touching them" do
    own = described_class.default.with("amps.window_low" => 0.8)
    expect([own["amps.window_low"], own.source("amps.window_low"), own["amps.window_high"]]).to eq [0.8, "shop", 1.10]
    expect(described_class.default["amps.window_low"]).to eq 0.75
    expect { described_class.default.with("amps.window_lower" => 1) }.to raise_error(ArgumentError, /amps.window_lower/)
  end

  it "is refused by the knowledge check where no file reads it, or one repeats its default" do
    entries = {"amps.none" => {"value" => 0.05}, "winding.copper" => {"value" => 0.00393}}
    faults = ->(text) { Fenbo::KnowledgeCheck::LimitUse.new({"one.rb" => text}, entries).faults }
    expect(faults['limits["amps.none"] * limits["winding.copper"]']).to be_empty
    expect(faults["limits[\"winding.\#{which}\"]"]).to eq ["limits.yml amps.none: no Ruby file reads it"]
    expect(faults["limits[\"amps.none\"]\nlimits[\"winding.copper\"] * 1.00393 + 0.00393"]).to contain_exactly(
      "one.rb:2: 0.00393 repeats the default of winding.copper"
    )
  end

  # Every limit that the core reads is moved up and down; some answer has to change in
  # what it finds, not only in the words of its reasons.
  describe "moved to the far side of a question" do
    elsewhere = Dir["app/**/*.rb"].map { |file| File.read(file) }.join
    core = Dir["lib/fenbo/**/*.rb"].map { |file| File.read(file) }.join
    # What only a screen reads: spec/app/limits_spec.rb.
    screens =
      described_class.entries.keys.select { |name| elsewhere.include?("\"#{name}\"") && !core.include?("\"#{name}\"") }
    # Costly to ask, and read by nothing but their own groups.
    own_groups = {"sound" => %w[sound], "diagnose" => %w[diagnosis experience]}

    let(:answers) { {} }

    def moved(value)
      [0.2, 0.5, 0.8, 0.95, 1.05, 1.3, 2, 5].map { |factor| value * factor } + [value - 1, value + 1]
    end

    # What was found: reasons count by their rule alone.
    def found(value)
      case value
      when Hash
        value.except("text", "reason", "limit").to_h { |key, one| [key, found(one)] }
      when Array
        value.map { |one| found(one) }
      else
        value
      end
    end

    def ask(tool, question, limits = described_class.default)
      found(JSON.parse(JSON.generate(Fenbo.call(tool, question, limits:).to_h)))
    end

    def questions
      @questions ||=
        YAML
          .load_file(File.join(__dir__, "limit_cases.yml"), aliases: true)
          .flat_map { |tool, rows| rows.map { |row| [tool, example(tool).merge(row)] } }
          .concat(Fenbo::Tools.names.map { |tool| [tool.to_s, example(tool)] })
          .concat(recordings)
    end

    def example(tool)
      JSON.parse(JSON.generate(Fenbo::Tools.entry(tool).example))
    end

    def recordings
      %w[bearing strike scrape imbalance hum chatter].map do |kind|
        wav = FenboSimulation::Microphone.new(kind:, rpm: 1320, random: Random.new(4), seconds: 3).wav
        ["sound", {"wav_bytes" => wav, "rpm" => 1320, "blades" => 4, "hertz" => 50}]
      end
    end

    define_method(:answered_otherwise?) do |name, tool, question|
      usual = answers[[tool, question]] ||= ask(tool, question)
      moved(described_class.entries[name]["value"]).any? do |value|
        ask(tool, question, described_class.default.with(name => value)) != usual
      end
    end

    it "changes an answer, each of them", :slow do
      unmoved =
        (described_class.entries.keys - screens - %w[bank.alike looking.same_look_minutes looking.recent_work_days
          presence.silent_hours presence.early_hours product.another_box
          drain.gap drain.gap_within
          work_plan.gate_hours stopgap.doors stopgap.ice stopgap.stages]).reject do |name|
          group = name.split(".").first
          asked = questions.select { |tool, _| own_groups.fetch(tool, [group]).include?(group) }
          asked.any? { |tool, question| answered_otherwise?(name, tool, question) }
        end
      expect(unmoved).to eq []
    end

    it "asks nothing that is refused" do
      refused = questions.select { |tool, question| Fenbo.call(tool, question).refused? }
      expect(refused).to eq []
    end
  end
end
