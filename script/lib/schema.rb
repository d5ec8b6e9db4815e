# frozen_string_literal: true

# Brings the database to the newest schema. Yields the name of each migration
# before it runs.
module Schema
  FOLDER = File.expand_path("../../db/migrate", __dir__)

  module_function

  def migrate
    ActiveRecord::Migration.verbose = false
    context = ActiveRecord::MigrationContext.new(FOLDER)
    waiting = context.migrations.map(&:version) - context.get_all_versions
    context.migrations.select { |one| waiting.include?(one.version) }.each { |one| yield one.name } if block_given?
    context.migrate if waiting.any?
  end
end
