# frozen_string_literal: true

module Fenbo
  module Matching
    class Nameplate < Tool
      # How well figures read off a plate could belong to a motor of this trade: more the
      # more of them could, less for each that could not. Ranges in knowledge/nameplate.yml.
      module Fairness
        WRONG = 2

        module_function

        # @param given [Hash] fields as Meanings gives them
        def of(given)
          Knowledge.table("nameplate")["fair"].sum do |field, range|
            values = [given[field]].flatten.compact
            next 0 if values.empty?
            (values.all? { |value| fair?(value, range) }) ? 1 : -WRONG
          end
        end

        def fair?(value, range)
          range.is_a?(Array) ? range.include?(value) : value.between?(range["from"], range["to"])
        end
      end
    end
  end
end
