# frozen_string_literal: true

module Fenbo
  class KnowledgeCheck
    # Each file by its JSON Schema.
    class Shapes < Part
      FOLDER = File.join(Knowledge::FOLDER, "schemas")

      private

      def look
        Knowledge.names.each do |name|
          file = File.join(FOLDER, "#{schema_of(name)}.json")
          next fault("#{name}.yml has no schema in knowledge/schemas") unless File.file?(file)
          problems(file, name).each { |place, why| fault("#{name}.yml at #{place.empty? ? "the top" : place}: #{why}") }
        end
      end

      def problems(file, name)
        JSONSchemer.schema(JSON.parse(File.read(file))).validate(Knowledge.table(name))
          .map { |problem| problem.values_at("data_pointer", "error") }
      end

      # The plans of all families have one schema.
      def schema_of(name)
        WorkPlan::Recipe.families.include?(name) ? "work_plan" : name
      end
    end
  end
end
