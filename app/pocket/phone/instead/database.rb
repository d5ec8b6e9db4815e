# frozen_string_literal: true

# What stands for the database's part where there is none.

# Signing in, forged forms: between a phone and itself there is nobody.
module Rack
  module Protection
    class AuthenticityToken
      def initialize(*) = nil

      def accepts?(_env) = true

      def self.token(_session) = "pocket"
    end
  end
end

# The names of what can go wrong with it, and one thing after another.
module ActiveRecord
  RecordNotFound = Class.new(StandardError)
  StatementInvalid = Class.new(StandardError)
  StaleObjectError = Class.new(StandardError)
  Rollback = Class.new(StandardError)

  # Everything of one post or nothing of it.
  class Base
    def self.transaction(**)
      Phone.all_or_nothing { yield }
    rescue Rollback
      nil
    end
  end
end

module Database
  AWAY = [].freeze
end

module FileStore
  def self.away?(_problem) = false
end

# A page's files have the addresses that were packed.
module Shared::Html
  def asset(name) = Phone.assets.fetch(name, "/assets/#{name}")
end

# What a phone cannot keep is said at once.
Shared::Route.error(Phone::NeedsSignal) do
  halt(*refuse(503, "This needs the signal", "Nothing was kept. Press it again when there is signal."))
end
