# frozen_string_literal: true

module Fenbo
  module JobFile
    # What the box read, °C, and when: one of those that the product's clock goes by.
    BoxRead = Shape.of(at: Time, c: Float)
  end
end
