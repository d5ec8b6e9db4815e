# frozen_string_literal: true

module Helpers
  # The product's own words for ids of the core.
  module Words
    VERDICTS = {
      "within" => "within", "over" => "over", "under" => "under", "none" => "no current", "locked" => "locked: hums, does not turn",
      "cannot_tell" => "cannot tell", "not_by_amps" => "not by amps"
    }.freeze
    MOTORS = {"shaded_pole" => "shaded pole", "psc" => "PSC", "ec" => "EC", "split_phase" => "split phase", "three_phase" => "three-phase"}.freeze
    GRADES = {"drop_in" => "Drops in", "fits_with_work" => "Fits with work", "conversion" => "Conversion"}.freeze
    STATES = {"L" => "Looking", "P" => "Live", "D" => "Proved dead", "C" => "Cover off"}.freeze
    MARKS = {"pass" => "=", "adapt" => "~", "fail" => "×"}.freeze
    ROLES = {"technician" => "Technician", "office" => "Office", "apprentice" => "Apprentice"}.freeze

    # What one wants to read first on a fan's label.
    TELLING = %w[fan_motion noise frost_pattern blade_state amps spin_by_hand winding_ohms capacitor].freeze

    def verdict_words(verdict) = VERDICTS.fetch(verdict, verdict.to_s.tr("_", " "))

    def motor_words(family) = MOTORS.fetch(family, "motor not known")

    def station_name(id) = Services::Progress::NAMES.fetch(id)

    def caution(id) = Fenbo::Knowledge.table("cautions").fetch(id)

    def cause_label(id) = Fenbo::Diagnosis::Cause.label(id)

    def test_of(id) = Fenbo::Diagnosis::Test[id]

    def count(number, one, many = "#{one}s") = "#{number} #{(number == 1) ? one : many}"

    # What is known of a fan, shortest first, for its leader label.
    def fan_words(position, findings)
      said = findings.select { |finding| finding.fan_position_id == position.id && finding.outcome != "not_visible" }.uniq(&:test)
        .sort_by { |finding| TELLING.index(finding.test) || TELLING.size }.first(3).map { |finding| finding.label.downcase }
      said.empty? ? "not looked at" : said.join(" · ")
    end
  end
end
