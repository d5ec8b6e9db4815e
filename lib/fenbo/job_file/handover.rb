# frozen_string_literal: true

module Fenbo
  module JobFile
    # The end of a job as the customer sees it. `signature` is strokes of points, each from
    # 0 to 1 across the field: [[[x, y], …], …]; `signed_work` the work it stands under, with
    # its digest (SignedWork), nil in files of before they were kept.
    Handover = Shape.of(
      by: Person, summary: Shape.maybe(String), seen_besides: Shape.maybe(String), next_visit_at: Shape.maybe(Time),
      next_visit_for: Shape.maybe(String), signed_name: Shape.maybe(String), signature: Shape.maybe(Array),
      signed_at: Shape.maybe(Time), unsigned_because: Shape.maybe(String), signed_digest: Shape.maybe(String),
      signed_work: Shape.maybe(Hash)
    ) do
      # What was seen besides, by how soon it wants somebody: lines led by "now:" or "soon:", the
      # others to be watched.
      # @return [Hash{String => Array<String>}] none that is empty
      def graded
        seen_besides.to_s.lines.map(&:strip).reject(&:empty?).map { |line|
          match = line.match(/\A(#{GRADES.join("|")}):\s*(.+)\z/i)
          match ? [match[1].downcase, match[2]] : ["watch", line]
        }.group_by(&:first).transform_values { |list| list.map(&:last) }.sort_by { |grade, _| GRADES.index(grade) }.to_h
      end

      def signed? = !signed_at.nil?

      # What has changed since it was signed, by its parts; empty where nothing did.
      # @param job [Job]
      def changed_since_signed(job)
        (signed? && signed_work) ? SignedWork.new(job).changed_since(signed_work) : []
      end
    end
  end
end
