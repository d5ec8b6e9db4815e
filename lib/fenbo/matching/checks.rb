# frozen_string_literal: true

module Fenbo
  module Matching
    # One rule a class, all asked the same way: Check.new(context).line gives pass,
    # fail or adapt with its reason, or nil where the rule has nothing to say. And each says
    # beforehand, as far as columns can tell, what it would fail: `narrowing`.
    module Checks
      # What a check may look at.
      Context =
        Value.of(:old, :place, :limits, candidate: nil, healthy_amps: nil, blade: nil, fit: nil, accessories: nil)
      # work: the kind of extra work it brings (extra_work.yml); setting: in words, what has to
      # be set on the motor before it goes in.
      Line =
        Value.of(:check, :result, :reason, minutes: 0, work: nil, part: nil, setting: nil) do
          def to_h = {check:, result:, reason:}
        end

      # The rule's own helpers.
      class Check
        # As the contract names it.
        def self.id = @id ||= name.split("::").last.downcase.freeze

        # Whether what it refuses cannot be mended by any work, bracket or kit.
        def self.final? = false

        def initialize(context)
          @context = context
        end

        # @return [Narrowing::Term, nil] true of columns with which no candidate would pass
        def narrowing = nil

        private

        def old = @context.old

        def candidate = @context.candidate

        def place = @context.place

        def limits = @context.limits

        def name = self.class.id

        def pass(reason, setting: nil, work: "setting")
          Line.new(check: name, result: "pass", reason:, setting:, work: setting && work)
        end

        def fail(reason) = Line.new(check: name, result: "fail", reason:)

        # @param work [String, nil] kind of extra work, whose minutes are the shop's
        def adapt(reason, work: nil, part: nil)
          Line.new(check: name, result: "adapt", reason:, minutes: work ? limits["adapt.#{work}"] : 0, work:, part:)
        end

        # A kit says itself how long it takes.
        def unless_kit_says(kind) = candidate.kit_minutes ? nil : kind

        def unknown(what) = adapt("#{what} is not known: check before buying")

        def figure(number) = Quantities.rounded(number)

        # Terms of a narrowing.
        def known(column) = Narrowing::Known.new(column: column.to_s)

        def one_of(column, *values)
          Narrowing::OneOf.new(column: column.to_s, values:)
        end

        def beyond(column, low: nil, high: nil)
          Narrowing::Beyond.new(column: column.to_s, low:, high:)
        end

        def none_within(column, low, high)
          Narrowing::NoneWithin.new(column: column.to_s, low:, high:)
        end

        # Without a kit, whatever is in it.
        def bare = !known(:kit_contents)
      end

      autoload :Available, "fenbo/matching/checks/available"
      autoload :Ambient, "fenbo/matching/checks/ambient"
      autoload :Blade, "fenbo/matching/checks/blade"
      autoload :Connector, "fenbo/matching/checks/connector"
      autoload :Control, "fenbo/matching/checks/control"
      autoload :Duty, "fenbo/matching/checks/duty"
      autoload :Fit, "fenbo/matching/checks/fit"
      autoload :Integral, "fenbo/matching/checks/integral"
      autoload :Load, "fenbo/matching/checks/load"
      autoload :Mount, "fenbo/matching/checks/mount"
      autoload :Refrigerant, "fenbo/matching/checks/refrigerant"
      autoload :Rotation, "fenbo/matching/checks/rotation"
      autoload :Shaft, "fenbo/matching/checks/shaft"
      autoload :Speed, "fenbo/matching/checks/speed"
      autoload :Starter, "fenbo/matching/checks/starter"
      autoload :Supply, "fenbo/matching/checks/supply"

      # The order they are shown in: what burns first, then what moves air, then
      # what can be worked round with tools.
      ORDER = [
        Supply,
        Load,
        Speed,
        Rotation,
        Blade,
        Duty,
        Ambient,
        Refrigerant,
        Mount,
        Shaft,
        Fit,
        Integral,
        Connector,
        Control,
        Available
      ].freeze

      def self.lines(context)
        ORDER.filter_map { |check| check.new(context).line }
      end

      # @param context [Context] without a candidate
      # @return [Array<Narrowing::Term>] of those whose refusal is final, or of the others
      def self.narrowings(context, final:)
        ORDER.select { |check| check.final? == final }.filter_map { |check| check.new(context).narrowing }
      end
    end
  end
end
