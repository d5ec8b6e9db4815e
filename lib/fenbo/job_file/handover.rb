# frozen_string_literal: true

module Fenbo
  module JobFile
    # The end of a job as the customer sees it. `signature` is strokes of points, each from
    # 0 to 1 across the field: [[[x, y], …], …].
    Handover = Shape.of(
      by: Person, summary: Shape.maybe(String), seen_besides: Shape.maybe(String), next_visit_at: Shape.maybe(Time),
      next_visit_for: Shape.maybe(String), signed_name: Shape.maybe(String), signature: Shape.maybe(Array),
      signed_at: Shape.maybe(Time), unsigned_because: Shape.maybe(String)
    ) do
      def signed? = !signed_at.nil?
    end
  end
end
