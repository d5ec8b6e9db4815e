# frozen_string_literal: true

# A database of a bench's own, with the demo world in it and the application on it.
module BenchWorld
  # @param root [String] of the project
  # @param database [String] its name, dropped first
  # @param postgres [PrivatePostgres] that runs
  def self.fill(root, database, postgres)
    postgres.drop_database(database)
    postgres.create_database(database)
    ENV["DATABASE_URL"] = postgres.url(database)
    ENV["FENBO_FILES"] = File.join(root, "var", "#{database}-files")
    ENV["FENBO_SECRET"] = "0" * 128
    ENV["RACK_ENV"] = "production"
    require_relative "../../app/boot"
    require_relative "schema"
    require_relative "../../db/demo/world"
    require "puma"
    require "puma/server"
    Schema.migrate
    Demo::World.new(today: Date.today).load
  end
end
