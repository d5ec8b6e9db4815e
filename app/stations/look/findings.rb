# frozen_string_literal: true

module Stations
  module Look
    # What was seen or measured, by its outcome; and taking one back.
    class Findings < Shared::Route
      # What a refused answer is told under, by what stood against it.
      TITLES = {dead: "Prove it dead first", outcome: "That answer is not known"}.freeze

      post "/jobs/:number/findings" do
        there = back
        finding = take_or_refuse(entry, TITLES)
        back_to there, "#{finding.test_short}: #{finding.label.downcase}."
      end

      # A round of quick looks at once: what was not looked at stays unanswered.
      post "/jobs/:number/findings/round" do
        seen = Round.new(params[:seen], client_id).findings(position.key)
        halt(*refuse(422, "Nothing was chosen", "Point at what you saw, at one look at least.")) if seen.empty?
        there = back
        taken = ActiveRecord::Base.transaction { seen.map { |one| take_or_refuse(one, TITLES) } }
        back_to there, "#{taken.map { |one| "#{one.test_short}: #{one.label.downcase}" }.join("; ")}."
      end

      post "/jobs/:number/findings/:id/void" do
        there = back
        finding = take(Entries::Void.new(of: :findings, id: params[:id], reason: text(:reason, 200)))
        back_to there, "Taken back: #{finding.test_short.downcase}, #{finding.label.downcase}."
      end

      private

      def entry
        Entries::Finding.new(id: client_id, fan: position.key, test: params[:test], outcome: params[:outcome],
          note: text(:note, 500), override_reason: overriding)
      end

      # An outcome that the meter reading would not give needs a reason.
      def overriding
        Shared::Words::BY_INSTRUMENT.key?(params[:test]) ? text(:override_reason, 300) : nil
      end

      # Worked out before the entry is taken: it leads nowhere else for it, and the job need not
      # be read once more.
      def back
        place = %w[look measure decide match].include?(params[:back]) ? params[:back] : "look"
        "/jobs/#{addressed.number}/#{place}?fan=#{spot}"
      end
    end
  end
end
