# frozen_string_literal: true

# Loads the web application: gems, the core, the database, then this tree.
# Table of contents:
#   web.rb        the Rack application, from the socket inwards
#   routes/       a small class a resource or station, on one base
#   models/       records and their relations
#   services/     asks the core: builds its questions from records, keeps answers
#   drawings/     SVG made from core results
#   documents/    PDF, iCalendar
#   helpers/      what views may call, by subject
#   views/        ERB
ENV["RACK_ENV"] ||= "development"

require_relative "gems"
require_relative "database"

module Routes
end

module Services
end

module Drawings
end

module Documents
end

module Helpers
end

LOADER = Zeitwerk::Loader.new
LOADER.push_dir(File.join(__dir__, "models"))
{
  "routes" => Routes,
  "services" => Services,
  "drawings" => Drawings,
  "documents" => Documents,
  "helpers" => Helpers
}.each { |folder, namespace| LOADER.push_dir(File.join(__dir__, folder), namespace:) }
LOADER.inflector.inflect("api" => "Api", "pdf" => "Pdf")
LOADER.setup

Database.connect
require_relative "web"
LOADER.eager_load if ENV["RACK_ENV"] == "production"
