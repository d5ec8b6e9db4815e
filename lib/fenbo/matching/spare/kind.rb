# frozen_string_literal: true

module Fenbo
  module Matching
    # A kind of part that is no motor: its label, the columns it is told by, and what serves
    # it. Judgement in knowledge/matching/spares.yml.
    SpareKind =
      Value.of(:id, :label, :part, :task, :columns, needs: nil, wet: nil, flammable: false, check: nil) do
        define_singleton_method(:all) do
          Knowledge.table("spares").to_h do |id, row|
            [id, new(id:, **row.transform_keys(&:to_sym))]
          end
        end

        define_singleton_method(:[]) { |id| all.fetch(id) }

        # Kinds that a unit of this family has, whose work one of `tasks` is.
        define_singleton_method(:of_unit) do |family, tasks|
          traits = Knowledge.table("families")[family]["traits"]
          all.values.select { |kind| tasks.include?(kind.task) && (kind.needs.nil? || traits.include?(kind.needs)) }
        end

        # The kind a cause wants (causes.yml `part`), nil where it wants none of these.
        define_singleton_method(:for_part) { |part| all.values.find { |kind| kind.part == part } }
      end
  end
end
