# frozen_string_literal: true

module Fenbo
  module Matching
    # One rule a class, all asked the same way: Check.new(context).line gives pass,
    # fail or adapt with its reason, or nil where the rule has nothing to say.
    module Checks
      # What a check may look at.
      Context = Value.of(:old, :candidate, :place, :limits, healthy_amps: nil, blade: nil, fit: nil, accessories: nil)
      # setting: what has to be set on the motor before it goes in.
      Line =
        Value.of(:check, :result, :reason, minutes: 0, part: nil, setting: nil) do
          def to_h = {check:, result:, reason:}
        end

      # The rule's own helpers.
      class Check
        # As the contract names it.
        def self.id = @id ||= name.split("::").last.downcase.freeze

        def initialize(context)
          @context = context
        end

        private

        def old = @context.old

        def candidate = @context.candidate

        def place = @context.place

        def limits = @context.limits

        def name = self.class.id

        def pass(reason, setting: nil)
          Line.new(check: name, result: "pass", reason:, setting:)
        end

        def fail(reason) = Line.new(check: name, result: "fail", reason:)

        def adapt(reason, minutes: 0, part: nil)
          Line.new(check: name, result: "adapt", reason:, minutes:, part:)
        end

        # Minutes of one kind of extra work, as the shop reckons them.
        def work(kind) = limits["adapt.#{kind}"]

        def unknown(what) = adapt("#{what} is not known: check before buying")

        def figure(number) = format("%.3g", number)
      end

      autoload :Available, "fenbo/matching/checks/available"
      autoload :Ambient, "fenbo/matching/checks/ambient"
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
    end
  end
end
