# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What comes with a cause: a row of knowledge/companions.yml.
    #
    # share: how often, of the jobs with the first; kind: brings (the first makes the
    # second), comes_of (the second made the first), beside (both of one reason); why, in a
    # sentence; looks: the tests that tell, cheapest first.
    Companion = Value.of(:first, :second, :share, :kind, :why, :looks) do
      define_singleton_method(:all) do
        @all ||= Knowledge.table("companions").flat_map { |first, rows|
          rows.map { |second, row| new(first:, second:, **row.transform_keys(&:to_sym)) }
        }.group_by(&:first).transform_values { |list| list.to_h { |one| [one.second, one] } }.freeze
      end

      # @return [Hash] id of the second cause => Companion
      define_singleton_method(:of) { |cause| all.fetch(cause.id, {}) }

      # The link between two causes, whichever is the first; nil where there is none.
      define_singleton_method(:between) do |one, other|
        of(one)[other.id] || of(other)[one.id]
      end
    end
  end
end
