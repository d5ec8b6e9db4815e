# frozen_string_literal: true

module Fenbo
  module JobFile
    # Somebody on site, planned or done; box temperatures in °C.
    Visit = Shape.of(
      uid: String, technician: Person, starts_at: Time, ends_at: Shape.maybe(Time), purpose: Shape.maybe(String),
      arrival_c: Shape.maybe(Float), leaving_c: Shape.maybe(Float)
    ) do
      # Whether it goes on at this moment.
      def going_on?(now) = ends_at.nil? && starts_at <= now

      # Whether a moment lies in it.
      def covers?(at) = starts_at <= at && (ends_at.nil? || at < ends_at)
    end
  end
end
