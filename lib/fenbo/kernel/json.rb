# frozen_string_literal: true

module Fenbo
  # Ruby's values as parsed JSON has them: names as strings, nested as they are.
  module Json
    module_function

    def plain(value)
      case value
      when Hash then value.to_h { |key, one| [key.to_s, plain(one)] }
      when Array then value.map { |one| plain(one) }
      when Symbol then value.to_s
      else value
      end
    end
  end
end
