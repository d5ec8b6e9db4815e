# frozen_string_literal: true

module Fenbo
  # The goods in the box and how long they can wait.
  module Product
    autoload :Clock, "fenbo/product/clock"
    autoload :Drift, "fenbo/product/drift"
    autoload :JobClock, "fenbo/product/job_clock"
    autoload :Stopgaps, "fenbo/product/stopgaps"
    autoload :Turning, "fenbo/product/turning"
  end
end
