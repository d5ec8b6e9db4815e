# frozen_string_literal: true

# The gems of the web application, and the core. By itself, so that bin/start can
# load them while the database comes up.
require "bundler/setup"
require "active_record"
require "bcrypt"
require "pg"
require "zeitwerk"
require "concurrent"
require "erubi"
require "tilt/erubi"
require "sinatra/base"
require "rack/session"
require "rack/protection"
require "rack/attack"
require "que"
require "money"
require "shrine"
require "zxcvbn"
require "securerandom"
require "json"

$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "fenbo"
require "fenbo_simulation"

# Which amounts: the shop's own settings say, never the place it runs at.
Money.locale_backend = nil
Money.rounding_mode = BigDecimal::ROUND_HALF_UP
