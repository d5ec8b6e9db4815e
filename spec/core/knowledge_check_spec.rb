# frozen_string_literal: true

require "fenbo/kernel/knowledge_check"

# What ships holds together; whatever is spoilt in it is said at its place.
RSpec.describe Fenbo::KnowledgeCheck do
  # A copy of the table to be spoilt; the checks read it instead of the real one.
  def spoil(name)
    real = Fenbo::Knowledge.method(:table)
    copy = Marshal.load(Marshal.dump(real.call(name)))
    yield copy
    # What is read once and kept is read before: it would stay as it is told here.
    Fenbo::Diagnosis::Test.all
    Fenbo::Diagnosis::Cause.all
    allow(Fenbo::Knowledge).to receive(:table) { |asked| (asked == name) ? copy : real.call(asked) }
  end

  it "finds nothing to mend in what ships", :slow do
    expect(described_class.new.run.faults).to eq []
  end

  it "says at which place a file is misshapen, and looks no further" do
    spoil("tests") { |table| table["shaft_play"].delete("ask") }
    expect(described_class.new.run).to have_attributes(faults: [%r{tests.yml at /shaft_play: .*ask}], notes: [])
  end

  describe described_class::Sums do
    {
      "a usual row that does not sum to one" => [
        "tests", ->(table) { table["shaft_play"]["usual"]["always"] = {"none" => 0.5, "rocks" => 0.75} },
        /tests.yml shaft_play usual always: sums to 1.25/
      ],
      "an outcome that does not exist, and one left out" => [
        "tests", ->(table) {
          row = table["shaft_play"]["usual"]["always"]
          row["wobbles"] = row.delete("rocks")
        }, /names wobbles, which is no outcome/, /leaves out rocks/
      ],
      "an ordinary outcome that is none" => [
        "tests", ->(table) {
                   table["shaft_play"]["ordinary"] = ["purple"]
                 }, /ordinary, tells_nothing, either: purple does not exist/
      ],
      "one of which either is named that is none" => [
        "tests", ->(table) { table["noise"]["either"] << "humming" }, /tests.yml noise .*either: humming does not exist/
      ],
      "a test of which one outcome tells" => [
        "tests", ->(table) {
          table["shaft_play"]["tells_nothing"] = ["none"]
        }, /tests.yml shaft_play: fewer than two outcomes tell/
      ],
      "a cause's motions" => [
        "causes", ->(table) {
                    table.values.find { |row|
                      row["motion"]
                    }["motion"].transform_values! { |share| share * 2 }
                  },
        /causes.yml \w+ motion: sums to 2.0 instead of 1/
      ],
      "a cause that shows by a test that is none, or too much" => [
        "causes", ->(table) {
          table["mount_loose"]["shows"] = {"seance" => {"cold" => 1.0}, "shaft_play" => {"rocks" => 0.8, "none" => 0.7}}
        }, /mount_loose shows seance: there is no such test/, /mount_loose shows shaft_play: sums to 1.5, more than 1/
      ],
      "what only a running fan does, told of any" => [
        "causes", ->(table) { table["mount_loose"]["shows"] = {"noise" => {"grinding" => 0.5}} },
        /causes.yml mount_loose: noise belongs under a motion/
      ]
    }.each do |what, (name, spoilt, *faults)|
      it "names #{what}" do
        spoil(name, &spoilt)
        expect(described_class.new.faults).to include(*faults)
      end
    end
  end

  describe described_class::References do
    {
      "companions" => [->(table) { table["bad_luck"] = {"bearing_worn" => {"looks" => ["seance"]}} },
        "companions.yml: bad_luck does not exist", "companions.yml bad_luck bearing_worn looks: seance does not exist"],
      "reuse" => [->(table) { table["seance"] = {"sound" => ["cold"]} },
        "reuse.yml: seance does not exist", "reuse.yml seance: cold does not exist"],
      "parts" => [->(table) {
        table.each_value { |row|
          row["tests"].delete("noise")
        } && table.values.first["needs"] = ["wings"]
      },
        /parts.yml: no part has noise/, /parts.yml \w+ needs: wings does not exist/],
      "spares" => [->(table) {
        table["amulet"] = {"task" => "dance", "columns" => {"luck" => {"share" => "luck", "work" => "rub"}}}
      },
        "spares.yml kinds: amulet does not exist", "spares.yml amulet columns: luck does not exist",
        "spares.yml amulet task: dance does not exist",
        "spares.yml amulet limits: spares.luck, adapt.rub does not exist"],
      "checks" => [->(table) {
        table["checks"]["blessed"] = {"only_for" => ["dance"], "causes" => ["bad_luck"], "families" => ["igloo"]}
      },
        "checks.yml tasks: dance does not exist", "checks.yml causes: bad_luck does not exist",
        "checks.yml families: igloo does not exist"],
      "stopgaps" => [->(table) {
        table["snow"] = {"slows" => "snow", "caution" => ["avalanche"]}
      }, "stopgaps.yml limits: stopgap.snow does not exist", "stopgaps.yml caution: avalanche does not exist"]
    }.each do |name, (spoilt, *faults)|
      it "names what #{name}.yml calls by an id that is none" do
        spoil(name, &spoilt)
        expect(described_class.new.faults).to include(*faults)
      end
    end

    it "wants a heading in the sources for every limit" do
      entries = Fenbo::Limits.entries
      allow(Fenbo::Limits).to receive(:entries).and_return(entries.merge("luck.most" => {"source" => "hearsay/tavern"}))
      expect(described_class.new.faults).to include "limits.yml source: hearsay/tavern does not exist"
    end
  end

  describe described_class::Plans do
    {
      "extra_work" => [->(table) { table["pray"] = {"caution" => ["devil"]} },
        "extra_work.yml pray caution: devil does not exist", "extra_work.yml pray: limit: adapt.pray does not exist"],
      "families" => [->(table) {
        table["igloo"] = table.values.first
      }, "families.yml, work plan of: igloo does not exist"]
    }.each do |name, (spoilt, *faults)|
      it "names what #{name}.yml wants a plan or a limit for that there is not" do
        spoil(name, &spoilt)
        expect(described_class.new.faults).to include(*faults)
      end
    end
  end

  it "tells which causes no test tells apart, and that each is shown by some" do
    separable = described_class::Separable.new
    expect(separable.faults).to eq []
    expect(separable.alike).to all match(/\Ano test tells \w+ from \w+\z/)
  end

  it "speaks up about a file that cannot be read" do
    expect { Fenbo::Knowledge.read("horoscopes") }.to raise_error(Fenbo::KnowledgeError, /horoscopes.yml/)
  end
end
