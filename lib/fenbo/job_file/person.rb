# frozen_string_literal: true

module Fenbo
  module JobFile
    # Somebody who did or said something, as far as a job has to know.
    Person = Shape.of(uid: String, name: String, role: String) do
      def first_name = name.split.first

      def apprentice? = role == "apprentice"
    end
  end
end
