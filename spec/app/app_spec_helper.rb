# frozen_string_literal: true

require "app_helper"

RSpec.configure do |config|
  config.define_derived_metadata(file_path: %r{/spec/app/}) { |metadata| metadata[:door] = :rack }
  config.include AppHelpers, door: :rack
  # What a request would have begun without: settings of an example whose rows are taken back.
  config.before(:each, door: :rack) { Current.reset }
  # Everything a spec does to the database is taken back.
  config.around(:each, :rolled_back) do |example|
    ActiveRecord::Base.transaction do
      example.run
      raise ActiveRecord::Rollback
    end
  end
end
