# frozen_string_literal: true

module Fenbo
  # A frozen value with named members, equal by content. Every member has to be
  # given; `Value.of(:a, :b, c: 0)` gives `c` a default.
  #
  #   Span = Fenbo::Value.of(:low, :high)
  #   Span.new(low: 1, high: 2) == Span.new(low: 1, high: 2)   #=> true
  #   Span.new(low: 1)                                         #=> ArgumentError: missing keyword: :high
  module Value
    def self.of(*required, **defaults, &body)
      written = required.to_h { |name| [name, ""] }
      usual = defaults.to_h { |name, _| [name, " self.class.defaults[:#{name}]"] }
      struct({**written, **usual}) do
        define_singleton_method(:defaults) { defaults }
        class_eval(&body) if body
      end
    end

    # A struct whose constructor is written out as a person would write it: Ruby checks keywords
    # of its own three times as fast as a Hash of them can be checked, and values are made by
    # the thousand.
    # @param members [Hash{Symbol => String}] name => the default's Ruby, empty where it has to be given
    def self.struct(members, &body)
      Struct.new(*members.keys) do
        class_eval(<<~RUBY, __FILE__, __LINE__ + 1)
          def initialize(#{members.map { |name, default| "#{name}:#{default}" }.join(", ")})
            super(#{members.keys.join(", ")})
            freeze
          end
        RUBY
        class_eval(&body)
      end
    end
  end
end
