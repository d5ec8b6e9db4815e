# frozen_string_literal: true

module Fenbo
  # A job as one frozen value: the unit with its fans and their motors over time, and
  # everything seen, measured, decided, chosen and done on it. Screens, drawings, report
  # and PDF take it; it is the export and import format (docs/formats.md), and what a
  # phone carries where there is no signal.
  #
  #   job = Fenbo::JobFile.from_json(JSON.parse(text))
  #   job.unit.fan("evaporator-2").motor&.family     #=> "shaded_pole"
  #   job.readings_of("amps").last&.verdict          #=> "under"
  #
  # The value is Job; its parts, a file each: Person, Customer and Site, Motor, Fan, Unit,
  # Visit; the entries Finding, Reading, Photo and Decision (Entry says what they share);
  # PartChoice; Fault, which is what of all this belongs to one fan; StepDone, StationDone and ProofCheck; Handover.
  #
  # Identities are uuids made where the thing was made: the same job read twice is equal,
  # on whichever Fenbo.
  module JobFile
    VERSION = 1
    # The state of a unit that nobody has touched.
    FOUND = "L"
    SCHEMA = "https://json-schema.org/draft/2020-12/schema"

    autoload :CatalogueBlade, "fenbo/job_file/part_choice"
    autoload :CataloguePart, "fenbo/job_file/part_choice"
    autoload :CatalogueSpare, "fenbo/job_file/part_choice"
    autoload :Check, "fenbo/job_file/check"
    autoload :Customer, "fenbo/job_file/site"
    autoload :Circuit, "fenbo/job_file/circuit"
    autoload :Decision, "fenbo/job_file/decision"
    autoload :Entry, "fenbo/job_file/entry"
    autoload :Fault, "fenbo/job_file/fault"
    autoload :Faults, "fenbo/job_file/faults"
    autoload :Fan, "fenbo/job_file/fan"
    autoload :Finding, "fenbo/job_file/finding"
    autoload :Handover, "fenbo/job_file/handover"
    autoload :Job, "fenbo/job_file/job"
    autoload :LeakCheck, "fenbo/job_file/circuit"
    autoload :LeakSearch, "fenbo/job_file/circuit"
    autoload :Motor, "fenbo/job_file/motor"
    autoload :Nameplate, "fenbo/job_file/nameplate"
    autoload :PartChoice, "fenbo/job_file/part_choice"
    autoload :Person, "fenbo/job_file/person"
    autoload :Photo, "fenbo/job_file/photo"
    autoload :Presence, "fenbo/job_file/presence"
    autoload :ProofCheck, "fenbo/job_file/progress"
    autoload :Quote, "fenbo/job_file/quote"
    autoload :QuoteAnswer, "fenbo/job_file/quote"
    autoload :Reading, "fenbo/job_file/reading"
    autoload :RefrigerantMove, "fenbo/job_file/circuit"
    autoload :SignedWork, "fenbo/job_file/signed_work"
    autoload :Site, "fenbo/job_file/site"
    autoload :StoredFile, "fenbo/job_file/photo"
    autoload :StationDone, "fenbo/job_file/progress"
    autoload :StepDone, "fenbo/job_file/progress"
    autoload :Unit, "fenbo/job_file/unit"
    autoload :BoxRead, "fenbo/job_file/box_read"
    autoload :DriftFrom, "fenbo/job_file/drift_from"
    autoload :Visit, "fenbo/job_file/visit"

    STATIONS = %w[call look measure decide match source fit prove hand_over].freeze
    # How soon what was seen besides wants somebody.
    GRADES = %w[now soon watch].freeze

    # @param json [Hash] parsed JSON
    # @return [Job]
    # @raise [ArgumentError] naming what is missing or not understood
    def self.from_json(json)
      version = json.is_a?(Hash) ? json["version"] : nil
      raise ArgumentError, "is no job file of version #{VERSION}" unless version == VERSION
      Job.from_json(json)
    end

    # The JSON Schema of the whole file.
    def self.schema
      {"$schema" => SCHEMA, "title" => "Fenbo job file"}.merge(Job.schema)
    end
  end
end
