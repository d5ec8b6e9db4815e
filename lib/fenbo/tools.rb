# frozen_string_literal: true

module Fenbo
  # The tools by name: the same from the command, the API and the screens.
  module Tools
    Entry =
      Value.of(:name, :about, :tool) do
        # An input that works, from knowledge/examples.yml.
        def example
          row = Knowledge.table("examples").fetch(name)
          row.transform_values { |value| value.is_a?(String) ? value.sub("{{knowledge}}", Knowledge::FOLDER) : value }
        end
      end

    ALL = {
      "amps" => ["Does a running current fit the nameplate, and can this meter tell?", -> { Electrical::Amps }],
      "blades" => ["Which blade goes with the motor, and may the old one stay?", -> { Matching::BladeChoice }],
      "capacitor" => ["Does a capacitor still hold what is printed on it?", -> { Electrical::Capacitor }],
      "diagnose" => [
        "Which causes explain the findings, and which test is worth doing next?",
        -> { Diagnosis::Diagnose }
      ],
      "energy" => ["What does a motor that takes less save in a year?", -> { Matching::Energy }],
      "fan_laws" => ["What does another speed, diameter or pitch do to air and load?", -> { Clearance::FanLaws }],
      "fit" => ["Where may the blade sit on the shaft, and does it clear?", -> { Clearance::Fit }],
      "frost" => ["Where does the frost lie, and what does that argue for?", -> { Frost::Reading }],
      "match" => ["Which motors can take the place of the old one?", -> { Matching::Match }],
      "nameplate" => ["What does a motor's plate say, and does it agree with itself?", -> { Matching::Nameplate }],
      "phases" => [
        "Are the three legs alike, and does a high one belong to supply or motor?",
        -> { Electrical::Phases }
      ],
      "procedure" => ["The work plan: made safe, taken apart, exchanged, put back, proved", -> { WorkPlan::Plan }],
      "product" => ["How long can the goods wait?", -> { Product::Clock }],
      "pulldown" => ["Is the box on its way to the setpoint, and when is it there?", -> { Proof::Pulldown }],
      "refrigerant" => ["What a circuit took and gave, and how fast it leaks", -> { Refrigerant::Ledger }],
      "sound" => ["What does a recording of one fan show?", -> { Sound::Recording }],
      "source" => ["Where to get the part, and when would it be done?", -> { Sourcing::Source }],
      "windings" => ["Is a dead motor's winding whole and clear of ground?", -> { Electrical::Windings }]
    }.freeze

    module_function

    def names = ALL.keys

    def entry(name)
      about, tool = ALL[name]
      Entry.new(name:, about:, tool:) if about
    end

    # @return [Result, Refusal]
    def call(name, raw, limits: Limits.default)
      entry = entry(name) or return Refusal.new([["tool", "is not known here; use one of #{names.join(", ")}"]])
      entry.tool.call.call(raw, limits:)
    end
  end
end
