# frozen_string_literal: true

module Shared
  # The catalogue's motors for a question of `match` that brings none: narrowed by the
  # same net as at the station. None where old motor or site cannot be read; the tool
  # then says what is wrong with them.
  module CatalogueMotors
    Site =
      Fenbo::Value.of(
        :supply_volts, :supply_phases, :supply_hertz, :ambient_low_c, :ambient_high_c, :wet, :flammable, :belt
      )

    def self.for(question)
      input = Fenbo::Input.new(question)
      old, place = Fenbo::Matching::Motor.read(input.object("old")), Fenbo::Matching::Place.read(input.object("site"))
      return [] unless input.clean?
      low, high = place.ambient_c
      site =
        Site.new(
          supply_volts: place.volts,
          supply_phases: place.phases,
          supply_hertz: place.hertz,
          ambient_low_c: low,
          ambient_high_c: high,
          wet: place.wet,
          flammable: place.flammable,
          belt: place.belt
        )
      CatalogueNet
        .new(old, site, Shop.limits, bore_mm: bore(question), at_hand: Suppliers::Desk.at_hand)
        .rows
        .map { |row| row.except("maker").compact.merge("rotation_view" => "shaft_end") }
    end

    def self.bore(question)
      bore = question["blade"].is_a?(Hash) && question["blade"]["bore_mm"]
      bore if bore.is_a?(Numeric) && bore.between?(0.1, 1_000)
    end
  end
end
