# frozen_string_literal: true

module Fenbo
  # How whatever judges gives its reasons; whoever includes it has the `limits`.
  module Reasoning
    private

    def reason(text, rule, limit: nil, value: nil, source: nil)
      Reason.new(text:, rule:, limit:, value:, source: source || "manual")
    end

    # A reason that rests on a named limit.
    def limit_reason(text, name, value: nil)
      Reason.new(text:, rule: name, limit: limits[name], value:, source: limits.source(name))
    end
  end
end
