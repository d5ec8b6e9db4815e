# frozen_string_literal: true

module Catalogue
  # What a part takes the place of and what takes its place, and which of those numbers
  # the catalogue holds.
  class PartLinks
    MOST = 30

    def initialize(motor)
      @motor = motor
    end

    # Label => [[number, whether it has a page], …]; empty ones left out.
    def lists
      {
        "Takes the place of" => (@motor.cross_reference + @motor.replaces.limit(MOST).pluck(:part_no)).uniq,
        "Replaced by" => @motor.replacements.limit(MOST).pluck(:part_no)
      }.reject { |_, numbers| numbers.empty? }
        .transform_values { |numbers| numbers.map { |number| [number, known.include?(number)] } }
    end

    private

    def known
      @known ||=
        Motor.where(part_no: @motor.cross_reference).pluck(:part_no) + @motor.replaces.limit(MOST).pluck(:part_no) +
        @motor.replacements.limit(MOST).pluck(:part_no)
    end
  end
end
