# frozen_string_literal: true

module Shared
  # The catalogue's motors for a question of `match`: narrowed by what its checks refuse.
  # None where the question cannot be read; the tool then says what is wrong with it.
  module CatalogueMotors
    # @param question [Hash] as the tool takes it, without motors
    # @return [Array<Hash>] catalogue rows
    def self.rows(question)
      input = Fenbo::Input.new(question.merge("motors" => []))
      read = Fenbo::Matching::Match.read(input, Shop.limits)
      input.clean? ? CatalogueNet.new(read, Shop.limits, at_hand: Suppliers::Desk.at_hand).rows : []
    end

    # The same as the tool takes them.
    def self.for(question)
      rows(question).map { |row| row.except("maker").compact.merge("rotation_view" => "shaft_end") }
    end
  end
end
