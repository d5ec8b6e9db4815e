# frozen_string_literal: true

module Fenbo
  # Every limit of the trade by name, as in knowledge/limits.yml. A shop's own
  # figures lie over the defaults; each limit still says where it comes from.
  #
  #   Limits.default["amps.window_low"]                       #=> 0.75
  #   Limits.default.with("amps.window_low" => 0.8).source("amps.window_low") #=> "shop"
  class Limits
    SHOP = "shop"

    def self.default = @default ||= new

    def self.entries = @entries ||= flatten(Knowledge.table("limits"))

    def self.flatten(tables)
      tables.flat_map { |group, rows| rows.map { |name, row| ["#{group}.#{name}", row] } }.to_h.freeze
    end

    def initialize(own = {})
      unknown = own.keys - self.class.entries.keys
      raise ArgumentError, "no such limit: #{unknown.join(", ")}" if unknown.any?
      @own = own.dup.freeze
      freeze
    end

    def with(own) = Limits.new(@own.merge(own))

    def [](name) = @own.fetch(name) { entry(name)["value"] }

    def unit(name) = entry(name)["unit"]

    def source(name) = @own.key?(name) ? SHOP : entry(name)["source"]

    def text(name) = entry(name)["text"]

    private

    def entry(name) = self.class.entries.fetch(name)
  end
end
