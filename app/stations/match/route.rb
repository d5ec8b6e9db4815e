# frozen_string_literal: true

module Stations
  module Match
    # Station 5: which motor fits, and up to four side by side.
    class Route < Shared::Route
      MOST_BESIDE = 4

      get "/jobs/:number/match" do
        page
      end

      post "/jobs/:number/match" do
        need :decide
        candidate = search.candidates.find { |one| one[:part_no] == params[:part] }
        unless candidate
          halt(
            *refuse(
              422,
              "That motor does not fit",
              "It is not among the candidates for this fan. Go back and choose one that is."
            )
          )
        end
        choose(search.motor(candidate[:part_no]), candidate)
        back_to "/jobs/#{job.number}/source",
          "#{candidate[:part_no]} " \
          "chosen#{" with the hub at #{show(seat[:seat_mm].round(1), "length")}" if seat[:seat_mm]}."
      end

      # The blade chosen with the motor: a part number, or the old one kept.
      post "/jobs/:number/match/blade" do
        need :decide
        unless job.part_choice
          halt(*refuse(422, "No motor is chosen yet", "Choose the motor first; the blade goes with it."))
        end
        asked = params[:blade].to_s
        unless asked.empty? || BladeSearch.new(search).candidates.any? { |one| one[:part_no] == asked }
          halt(
            *refuse(
              422,
              "That blade does not suit",
              "It is not among those for this fan. Go back and choose one that is, or keep the old one."
            )
          )
        end
        blade = Blade.find_by(part_no: asked)
        job.part_choice.update!(blade:)
        back_to "/jobs/#{job.number}/match?fan=#{position.key}",
          blade ? "Blade #{blade.part_no} goes with it." : "The old blade stays."
      end

      get "/jobs/:number/beside" do
        numbers = Array(params[:parts]).map(&:to_s).uniq.first(MOST_BESIDE)
        compared = PartSearch.new(job, position, also: numbers)
        station :beside, at: "match", compare: Comparison.new(compared, numbers)
      end

      private

      # A part asked for by number is judged whatever the net holds.
      def search
        @search ||=
          PartSearch.new(job, position, also: [params[:part].to_s, *found.map(&:part_no)].reject(&:empty?))
      end

      def asked = params[:q].to_s.strip[0, 60]

      def found
        @found ||= asked.empty? ? [] : Motor.like(asked).nearest(asked).limit(6).to_a
      end

      def page
        station(:match, search:, shown: params[:part], found:, asked:, blades: BladeSearch.new(search))
      end

      # A seat counts only with the measurements it rests on, and only where it holds.
      def seat
        @seat ||=
          begin
            form =
              ClearanceForm.new(
                job,
                position,
                search.motor(params[:part].to_s),
                {"seat" => params[:seat_mm].to_s, "spacers_set" => params[:spacers].to_s},
                Struct.new(:unit_system).new("si")
              )
            holds = !params[:seat_mm].to_s.empty? && form.latest && form.ask && form.layout.holds?
            holds ? {seat_mm: form.layout.seat, spacers: form.layout.spacers, fit_reading: form.latest} : {}
          end
      end

      def choose(motor, candidate)
        PartChoice.transaction do
          same = job.part_choice
          if same&.motor_id == motor.id
            same.update!(seat) unless seat.empty?
          else
            job.part_choices.where(superseded_at: nil).update_all(superseded_at: Time.now)
            PartChoice.create!(
              job:,
              motor:,
              user: current_user,
              grade: candidate[:grade],
              checks: candidate[:checks].as_json,
              **seat
            )
          end
          Shared::Progress.finish(job, "match", current_user)
        end
      end
    end
  end
end
