# frozen_string_literal: true

module Fenbo
  # One line of why: `text` in plain words, the `rule` it follows, the `limit`
  # and the `value` it compared, and the `source` (an id in docs/sources.md).
  Reason = Value.of(:text, :rule, limit: nil, value: nil, source: nil) do
    def to_h
      {text:, rule:, limit:, value:, source:}.compact
    end
  end
end
