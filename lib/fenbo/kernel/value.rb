# frozen_string_literal: true

module Fenbo
  # A frozen value with named members, equal by content. Every member has to be
  # given; `Value.of(:a, :b, c: 0)` gives `c` a default.
  #
  #   Span = Fenbo::Value.of(:low, :high)
  #   Span.new(low: 1, high: 2) == Span.new(low: 1, high: 2)   #=> true
  module Value
    def self.of(*required, **defaults, &body)
      members = required + defaults.keys
      Struct.new(*members, keyword_init: true) do
        define_method(:initialize) do |**given|
          unless required.all? { |name| given.key?(name) }
            raise ArgumentError, "missing: #{(required - given.keys).join(", ")}"
          end
          defaults.empty? ? super(**given) : super(**defaults, **given)
          freeze
        end
        class_eval(&body) if body
      end
    end
  end
end
