# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What comes with a cause: a row of knowledge/companions.yml.
    #
    # share: how often, of the jobs with the first; kind: brings (the first makes the
    # second), comes_of (the second made the first), beside (both of one reason); why, in a
    # sentence; looks: the tests that tell, cheapest first; side: where alone it is so.
    Companion = Value.of(:first, :second, :share, :kind, :why, :looks, side: nil) do
      define_singleton_method(:all) do
        @all ||= Knowledge.table("companions").flat_map { |first, rows|
          rows.map { |second, row| new(first:, second:, **row.transform_keys(&:to_sym)) }
        }.group_by(&:first).transform_values { |list| list.to_h { |one| [one.second, one] } }.freeze
      end

      # What comes with a cause on one side of a unit.
      # @return [Hash] id of the second cause => Companion
      define_singleton_method(:of) do |cause, side|
        all.fetch(cause.id, {}).reject { |_, one| one.side && one.side != side }
      end

      # What a cause comes of, where both are there: where no part mends it, that is what is
      # to be mended, or it is back.
      # @param id [String] of the cause
      # @param set [Array<String>] ids of what is there
      # @return [Companion, nil] the most usual
      define_singleton_method(:origin) do |id, set, side|
        cause = Cause.all[id]
        return if cause.nil? || cause.part || !set.include?(id)
        of(cause, side).values.select { |one| one.kind == "comes_of" && set.include?(one.second) }.max_by(&:share)
      end
    end
  end
end
