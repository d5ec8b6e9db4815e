# frozen_string_literal: true

module Shared
  # The catalogue's motors for a question of `match`: narrowed by what its checks refuse.
  # None where the question cannot be read; the tool then says what is wrong with it.
  module CatalogueMotors
    # The last nets: writing one takes as long as the database takes to catch something with it.
    NETS = Fenbo::Kept.new(50)
    private_constant :NETS

    # @param question [Hash] as the tool takes it, without motors
    # @return [Array<Hash>] catalogue rows
    def self.rows(question)
      at_hand = Suppliers::Desk.at_hand
      chosen = NETS.fetch([question, Setting.read("limits"), at_hand]) { net(question, at_hand)&.chosen } or return []
      CatalogueNet.rows(chosen)
    end

    # @return [CatalogueNet, nil] nil where the question cannot be read
    def self.net(question, at_hand)
      input = Fenbo::Input.new(question.merge("motors" => []))
      read = Fenbo::Matching::Match.read(input, Shop.limits)
      CatalogueNet.new(read, Shop.limits, at_hand:) if input.clean?
    end
    private_class_method :net

    # The same as the tool takes them.
    def self.for(question)
      rows(question).map { |row| row.except("maker").compact.merge("rotation_view" => "shaft_end") }
    end
  end
end
