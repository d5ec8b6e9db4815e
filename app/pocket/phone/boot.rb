# frozen_string_literal: true

# Fenbo on a phone without signal: the core, the stations' own routes, presenters, templates and
# drawings, as they are. What is kept in the database elsewhere is here the job file of each
# taken job (the other files of this folder). Read by the phone's Ruby alone; the server's
# loader passes it over.

# What sinatra and rack ask of programs that a phone has not.
module Gem
  # As far as a version is compared.
  class Version
    include Comparable

    attr_reader :parts

    def initialize(text) = @parts = text.to_s.scan(/\d+/).map(&:to_i)

    def <=>(other) = parts <=> other.parts
  end
end
$LOADED_FEATURES << "socket.rb"
class Socket
  AF_INET = 2
  AF_INET6 = 10
end

class IPSocket; end

class TCPSocket; end

HOME = "/fenbo"
INSTEAD = "#{HOME}/app/pocket/phone/instead"
$LOAD_PATH.unshift(INSTEAD)
File.readlines("#{HOME}/load_path", chomp: true).each { |folder| $LOAD_PATH.unshift("#{HOME}/#{folder}") }

require "json"
require "securerandom"
require "logger"
require "active_support"
require "active_support/core_ext"
require "active_support/current_attributes"
require "active_model"
require "concurrent/map"
require "money"
require "erubi"
require "tilt/erubi"
require "sinatra/base"
require "zeitwerk"
require "fenbo"
require "fenbo_simulation"

Money.locale_backend = nil
Money.rounding_mode = BigDecimal::ROUND_HALF_UP
I18n.load_path << "#{HOME}/config/words.yml"

LOADER = Zeitwerk::Loader.new
LOADER.push_dir("#{HOME}/app")
LOADER.push_dir("#{HOME}/app/pocket/phone")
LOADER.ignore(__FILE__, INSTEAD, "#{__dir__}/views")
LOADER.collapse("#{HOME}/app/records")
LOADER.inflector.inflect("api" => "Api", "pdf" => "Pdf")
LOADER.setup

require "database"
require "files"
Fenbo.eager_load
