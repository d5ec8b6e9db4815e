# frozen_string_literal: true

module Fenbo
  # The root of every error the core raises. Wrong input is not among them: a
  # tool answers that with a Refusal that names each wrong field. What is raised
  # is a mistake in the program or in its knowledge files.
  class Error < StandardError; end

  # A library that one tool needs is not installed.
  class MissingLibrary < Error
    def initialize(name)
      super("#{name} is not installed: run bin/start once, it installs what Fenbo needs")
    end
  end

  # A knowledge file that cannot be read or does not hold together. `file` is
  # its name, `faults` the list of what to mend.
  class KnowledgeError < Error
    attr_reader :file, :faults

    def initialize(file, faults)
      @file = file
      @faults = Array(faults)
      super("#{file}: #{@faults.join("; ")}")
    end
  end
end
