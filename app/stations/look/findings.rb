# frozen_string_literal: true

module Stations
  module Look
    # What was seen or measured, by its outcome; and taking one back.
    class Findings < Shared::Route
      post "/jobs/:number/findings" do
        need :record
        test = Fenbo::Diagnosis::Test.all[params[:test]]
        unless test&.outcomes&.include?(params[:outcome])
          halt(*refuse(422, "That answer is not known", "Choose one of the answers on the page."))
        end
        if test.states == ["D"] && job.state != "D"
          halt(
            *refuse(
              422,
              "Prove it dead first",
              "#{test.short} is done on a unit that is disconnected, locked and proved dead. Confirm that at " \
              "the top of Measure, then answer."
            )
          )
        end
        finding =
          Finding.record(
            client_id:,
            job:,
            visit:,
            fan_position: (position unless test.unit?),
            user: current_user,
            test: test.id,
            outcome: params[:outcome],
            note: note,
            override_reason: overriding(test)
          )
        back_to back, "#{test.short}: #{finding.label.downcase}."
      end

      post "/jobs/:number/findings/:id/void" do
        need :record
        finding = job.findings.find(whole(params[:id]))
        finding.void(current_user, params[:reason].to_s.strip[0, 200].presence)
        back_to back, "Taken back: #{finding.test_short.downcase}, #{finding.label.downcase}."
      end

      private

      def note = params[:note].to_s.strip[0, 500].presence

      # An outcome that the meter reading would not give needs a reason.
      def overriding(test)
        Shared::Words::BY_INSTRUMENT.key?(test.id) ? params[:override_reason].to_s.strip[0, 300].presence : nil
      end

      def back
        place = %w[look measure decide match].include?(params[:back]) ? params[:back] : "look"
        "/jobs/#{job.number}/#{place}?fan=#{position.key}"
      end
    end
  end
end
