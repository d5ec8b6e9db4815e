# frozen_string_literal: true

require "fenbo/kernel/knowledge_check"

RSpec.describe Fenbo::KnowledgeCheck do
  it "finds nothing to mend in what ships" do
    expect(described_class.new.run.faults).to eq []
  end

  it "says what to mend when a row does not sum to one, an id is unknown or a field is missing", :slow do
    real = Fenbo::Knowledge.method(:table)
    tests = Marshal.load(Marshal.dump(real.call("tests")))
    tests["shaft_play"]["usual"]["always"] = {"none" => 0.5, "rocks" => 0.75}
    # What is read once and kept is read before: it would stay as it is told here.
    Fenbo::Diagnosis::Test.all
    allow(Fenbo::Knowledge).to receive(:table) { |name| (name == "tests") ? tests : real.call(name) }
    expect(described_class.new.run.faults).to include(/shaft_play usual always: sums to 1.25/)
    tests["shaft_play"].delete("ask")
    expect(described_class.new.run.faults).to include(%r{tests.yml at /shaft_play.*ask})
  end

  it "speaks up about a file that cannot be read" do
    expect { Fenbo::Knowledge.read("horoscopes") }.to raise_error(Fenbo::KnowledgeError, /horoscopes.yml/)
  end
end
