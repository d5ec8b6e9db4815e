# frozen_string_literal: true

require "yaml"

module Fenbo
  # Judgement as data: reads lib/fenbo/knowledge/**/NAME.yml once, deeply frozen.
  # Structure is proved by `rake knowledge:check` (and before the web process
  # starts) against the JSON Schemas in lib/fenbo/knowledge/schemas; reading
  # here stays quick enough for the command line.
  module Knowledge
    FOLDER = File.expand_path("../knowledge", __dir__)

    # A reading process shares one copy; the lock keeps two threads from
    # parsing the same file at once.
    LOCK = Mutex.new
    TABLES = {} # rubocop:disable Style/MutableConstant
    private_constant :LOCK, :TABLES

    module_function

    # @return [Hash] frozen, with string keys
    # @raise [KnowledgeError] when the file is missing or is not YAML
    def table(name)
      TABLES[name] || LOCK.synchronize { TABLES[name] ||= read(name) }
    end

    def names
      files.keys.sort
    end

    # Name => file, as they lay there first; they lie in a folder a subject, under names of their
    # own.
    def files
      @files ||= Dir[File.join(FOLDER, "{,*/}*.yml")].to_h { |file| [File.basename(file, ".yml"), file] }.freeze
    end

    def read(name)
      file = files[name] or raise KnowledgeError.new("#{name}.yml", "is not in #{FOLDER}")
      deep_freeze(YAML.safe_load_file(file))
    rescue Psych::Exception => problem
      raise KnowledgeError.new("#{name}.yml", problem.message)
    end

    def deep_freeze(node)
      case node
      when Hash then node.each_value { |value| deep_freeze(value) }
      when Array then node.each { |value| deep_freeze(value) }
      end
      node.freeze
    end
  end
end
