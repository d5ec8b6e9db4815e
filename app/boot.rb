# frozen_string_literal: true

# Loads the web application: gems, the core, the database, then the rooms.
# Table of contents:
#   web.rb        the Rack application, from the socket inwards
#   paths.rb      which class answers which path
#   stations/     a room for each of the nine: routes, forms, presenters, views, drawings
#   day/ week/ clocks/ calendars/ units/ circuits/ vans/ customers/ price_lists/ catalogue/ bench/ learning/
#   people/ settings/ api/
#                 the other rooms, laid out alike
#   suppliers/    who sells parts, and at what price
#   records/      what is kept, and what must hold of it
#   shared/       what rooms share: the base of routes, forms, words, drawing kit, cutaways
# A room uses shared/, records/, suppliers/ and the core, never another room
# (`rake rooms` proves it).
ENV["RACK_ENV"] ||= "development"

require_relative "gems"

# A folder is a namespace; records are known by their plain names.
LOADER = Zeitwerk::Loader.new
LOADER.push_dir(__dir__)
LOADER.ignore(*%w[boot.rb gems.rb pocket/phone].map { |file| File.join(__dir__, file) })
LOADER.collapse(File.join(__dir__, "records"))
LOADER.inflector.inflect("api" => "Api", "pdf" => "Pdf")
LOADER.setup

I18n.load_path << File.expand_path("../config/words.yml", __dir__)
Database.connect
if ENV["RACK_ENV"] == "production"
  Fenbo.eager_load
  LOADER.eager_load
end
