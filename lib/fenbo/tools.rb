# frozen_string_literal: true

module Fenbo
  # The tools by name: the same from the command, the API and the screens.
  module Tools
    Entry = Value.of(:name, :about, :tool) do
      # An input that works, from knowledge/examples.yml.
      def example = Knowledge.table("examples").fetch(name)
    end

    ALL = {
      "amps" => ["Does a running current fit the nameplate, and can this meter tell?", -> { Electrical::Amps }],
      "diagnose" => ["Which causes explain the findings, and which test is worth doing next?", -> { Diagnosis::Diagnose }],
      "match" => ["Which motors can take the place of the old one?", -> { Matching::Match }],
      "procedure" => ["The work plan: made safe, taken apart, exchanged, put back, proved", -> { Procedure::Plan }],
      "product" => ["How long can the goods wait?", -> { Product::Clock }],
      "source" => ["Where to get the part, and when would it be done?", -> { Sourcing::Source }]
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
