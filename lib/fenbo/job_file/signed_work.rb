# frozen_string_literal: true

require "digest"
require "json"

module Fenbo
  module JobFile
    # The work a signature stands under: the customer's words and what was decided, found,
    # measured, fitted and ticked. The temperature of the box goes on being read after everybody
    # has left, and is none of it.
    #
    # Anybody can work its digest out again from a job file: SHA-256 of `to_h` as JSON.
    class SignedWork
      RUNS_ON = %w[product pulldown].freeze
      WORDS = %i[summary seen_besides next_visit_at next_visit_for].freeze

      # @param job [Job]
      def initialize(job)
        @job = job
      end

      # @return [Hash{String => Array}] by what it is, each in an order that no database changes
      def to_h
        @to_h ||= {
          "complaint" => [@job.complaint], "words" => words, "decisions" => decisions,
          "findings" => ids(@job.live_findings), "readings" => ids(readings), "photos" => ids(@job.live_photos),
          "parts" => parts, "steps" => steps, "proof" => @job.proof_checks.map(&:check).sort
        }
      end

      # @return [String] 64 hexadecimal digits
      def digest = Digest::SHA256.hexdigest(JSON.generate(to_h))

      # What is not any more as it was signed.
      # @param kept [Hash] what `to_h` was then
      # @return [Array<String>] names of its parts
      def changed_since(kept)
        to_h.keys.reject { |name| to_h[name] == kept[name] }
      end

      private

      def words
        WORDS.map { |name|
          word = @job.handover&.public_send(name)
          word.is_a?(Time) ? word.getutc.strftime("%FT%TZ") : word
        }
      end

      def decisions
        @job.decisions.reject(&:voided?).map { |one|
          [one.id, one.fault, one.causes, one.action, one.override_reason]
        }.sort_by(&:first)
      end

      def readings
        @job.live_readings.reject { |one| RUNS_ON.include?(one.kind) }
      end

      def ids(list) = list.map(&:id).sort

      def parts
        @job.part_choices.reject(&:superseded_at).map { |one|
          [one.uid, one.thing&.part_no, one.blade&.part_no, one.fitted?]
        }.sort_by(&:first)
      end

      def steps
        @job.steps.map { |one| [one.fault, one.task, one.step, one.skipped?].map(&:to_s) }.sort
      end
    end
  end
end
