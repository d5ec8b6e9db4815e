# frozen_string_literal: true

require "json"

# What every tool promises, whatever it is asked: an answer that explains itself or a
# refusal that names the field; never an error, never half a verdict.
RSpec.describe "the contract every tool keeps" do
  # What may arrive in place of any value.
  wrong = [
    nil,
    true,
    "",
    "steam",
    "x" * 5_000,
    -1,
    0,
    1e308,
    1e-308,
    Float::NAN,
    Float::INFINITY,
    10**30,
    [],
    [[]],
    [nil],
    {},
    {"a" => {}}
  ]

  def example(tool)
    JSON.parse(JSON.generate(Fenbo::Tools.entry(tool).example))
  end

  # Every place in a question: keys and indexes from the top.
  def places(value, path = [])
    inner =
      case value
      when Hash
        value.flat_map { |key, one| places(one, path + [key]) }
      when Array
        value.each_index.flat_map { |index| places(value[index], path + [index]) }
      else
        []
      end
    path.empty? ? inner : [path, *inner]
  end

  def with(question, path, value)
    *above, last = path
    copy = Marshal.load(Marshal.dump(question))
    (above.empty? ? copy : copy.dig(*above))[last] = value
    copy
  end

  def keeps_its_word?(answer)
    if answer.refused?
      return answer.faults.any? && answer.faults.all? { |fault| fault.field.is_a?(String) && !fault.message.empty? }
    end
    said = JSON.parse(JSON.generate(answer.to_h)) # raises on NaN and Infinity
    said["reasons"].all? { |reason| reason["text"].is_a?(String) && reason["rule"].is_a?(String) }
  end

  def ask(tool, question)
    Fenbo.call(tool, question)
  rescue => error
    raise "#{tool} raised #{error.class} (#{error.message.lines.first}) at #{error.backtrace.first} for " \
      "#{question.inspect[0, 400]}"
  end

  Fenbo::Tools.names.each do |tool|
    it "holds for #{tool} with anything wrong in any place" do
      question = example(tool)
      tried = places(question).product(wrong).map { |path, value| with(question, path, value) }
      tried = tried.sample(400, random: Random.new(11)) if tried.size > 400 || %w[sound diagnose].include?(tool)
      broken = tried.reject { |one| keeps_its_word?(ask(tool, one)) }
      expect(broken).to eq []
    end

    it "answers #{tool} alike for a key it does not know, for keys in another order, and a second time" do
      question = example(tool)
      plain = ask(tool, question).to_h
      expect(plain[:verdict]).to be_a(String).or be_nil
      expect(plain[:reasons]).not_to be_empty
      expect(ask(tool, question.merge("weather" => {"wind" => [1, 2]})).to_h).to eq plain
      expect(ask(tool, question.to_a.reverse.to_h).to_h).to eq plain
      expect(ask(tool, question).to_h).to eq plain
    end

    it "refuses #{tool} for what is no question at all, and names what is missing" do
      [nil, [], "x", 7].each { |raw| expect(ask(tool, raw)).to be_refused }
      expect(keeps_its_word?(ask(tool, {}))).to be true
    end
  end

  it "refuses a tool that is not there by name" do
    expect(Fenbo.call("horoscope", {}).faults.first.message).to include "amps", "diagnose"
  end
end
