# frozen_string_literal: true

module Stations
  module Match
    # The blade that goes with the motor: the old one where it is sound, else those of the
    # catalogue that suit opening, bore and rotation.
    class BladeSearch
      COLUMNS = %w[part_no diameter_mm blade_count pitch_deg hub bore_mm rotation air price_cents].freeze
      MOST = 200

      def initialize(search)
        @search = search
      end

      def old = @search.old

      def known? = !old&.blade_diameter_mm.nil?

      def result
        @result ||= Shared::Answered.of(:blades, question)
      end

      # The verdict in a sentence.
      def words
        case result.verdict
        when "reuse" then looked? ? "It may go back on." : "It may go back on if it is sound."
        when "none" then "None in the catalogue suits."
        else "Take #{result.verdict}."
        end
      end

      def candidates = result.refused? ? [] : result.candidates.first(4)

      # The catalogue's row of one of the candidates.
      def blade(part_no)
        row = near.find { |one| one["part_no"] == part_no } and Blade.new(row)
      end

      # What is looked at before the old one goes back on, by the test that keeps the answer.
      def looks = Fenbo::Matching::Reuse.looks

      # The last answer of each look at the old blade, by test.
      def seen
        @seen ||=
          @search
            .job
            .findings
            .select { |one| looks.key?(one.test) && one.fan == @search.position.key && !one.voided? }
            .to_h { |one| [one.test, one] }
      end

      # Every look is answered.
      def looked? = looks.keys.all? { |test| seen.key?(test) }

      # The answer speaks against using it again, or asks for cleaning first.
      def against?(finding)
        !Fenbo::Matching::Reuse.sound?(finding.test, finding.outcome)
      end

      # The chosen motor comes with a blade of its own.
      def brought?
        !!@search.choice &&
          Fenbo::Matching::Motor.read(Fenbo::Input.new(chosen.as_json.slice(*Motor::COLUMNS).compact)).brings_blade?
      end

      # What was found of the old blade itself, on the chosen motor in this opening; that it
      # is like itself goes without saying.
      def of_old
        result.old.reject { |line| %w[diameter air hub].include?(line.check) }
      end

      private

      def chosen
        @search.choice&.motor || @search.motor(@search.candidates.first&.part_no)
      end

      def question
        {
          "old" => old_blade,
          "motor" => drive,
          "orifice_mm" => @search.fit_reading&.question&.fetch("D", nil),
          "state" => damage,
          "blades" => near
        }.compact
      end

      def damage
        Fenbo::Matching::Reuse.damage(seen.transform_values(&:outcome))
      end

      def old_blade
        {
          "part_no" => "old",
          "diameter_mm" => old.blade_diameter_mm,
          "bore_mm" => old.blade_bore_mm,
          "rotation" => old.blade_rotation || turning,
          "air" => old.blade_air || "away_from_motor",
          "hub" => old.blade_hub,
          "pitch_deg" => old.blade_pitch_deg,
          "blade_count" => old.blade_count
        }.compact
      end

      # A blade whose sense is not noted turns as its motor does.
      def turning = %w[cw ccw].include?(old.rotation) ? old.rotation : nil

      def drive
        motor = chosen
        return {} unless motor
        turns = (motor.rotation == "reversible") ? old.rotation : motor.rotation
        {
          "rotation" => turns,
          "shaft_diameter_mm" => motor.shaft_diameter_mm,
          "rpm" => motor.rpm,
          "old_rpm" => old.rpm,
          **watts(motor)
        }.compact
      end

      # What the blade took at the old speed, and what the new motor gives.
      def watts(motor)
        effects = @search.candidates.find { |candidate| candidate.part_no == motor.part_no }&.effects
        {"needed_w" => effects&.old_output_w&.*(@search.load_share), "output_w" => effects&.output_w}
      end

      # The catalogue's that could be of the old one's size, the cheapest first.
      # @return [Array<Hash>] rows as the tool takes them
      def near
        @near ||= Blade.where(diameter_mm: sizes).order(:price_cents).limit(MOST).pluck(*COLUMNS)
          .map { |values| COLUMNS.zip(values).to_h.compact }
      end

      def sizes
        old.blade_diameter_mm * (1 - Shared::Shop.limits["blades.smaller"]) - 0.01..old.blade_diameter_mm + 0.01
      end
    end
  end
end
