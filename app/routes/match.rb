# frozen_string_literal: true

module Routes
  # Station 5: which motor fits.
  class Match < Base
    get "/jobs/:number/match" do
      station :match, search: Services::PartSearch.new(job, position), shown: params[:part]
    end

    post "/jobs/:number/match" do
      need :decide
      search = Services::PartSearch.new(job, position)
      candidate = search.candidates.find { |one| one[:part_no] == params[:part] }
      halt(*refuse(422, "That motor does not fit", "It is not among the candidates for this fan. Go back and choose one that is.")) unless candidate
      choose(search.motor(candidate[:part_no]), candidate)
      back_to "/jobs/#{job.number}/source", "#{candidate[:part_no]} chosen."
    end

    private

    def choose(motor, candidate)
      PartChoice.transaction do
        same = job.part_choice
        unless same&.motor_id == motor.id
          job.part_choices.where(superseded_at: nil).update_all(superseded_at: Time.now)
          PartChoice.create!(job:, motor:, user: current_user, grade: candidate[:grade], checks: candidate[:checks].as_json)
        end
        Services::Progress.finish(job, "match", current_user)
      end
    end
  end
end
