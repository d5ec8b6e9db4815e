# frozen_string_literal: true

module Fenbo
  # One line of why: `text` in plain words, the `rule` it follows, the `limit`
  # and the `value` it compared, and the `source` (an id in docs/sources.md).
  Reason = Shape.of(
    text: String, rule: String, limit: Shape::ANY, value: Shape::ANY, source: Shape.maybe(String)
  ) do
    def to_h
      {text:, rule:, limit:, value:, source:}.compact
    end

    # What is not known is left out.
    def as_json(*) = super.compact
  end
end
