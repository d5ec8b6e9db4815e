# frozen_string_literal: true

module Stations
  module Look
    # Recordings of a fan: in by browser, file or simulated microphone; out to be heard.
    class Sounds < Shared::Route
      get "/jobs/:number/sounds" do
        page(form(params))
      end

      post "/jobs/:number/sounds" do
        need :record
        one = form(params)
        halt 422, page(one) unless one.ask(bytes)
        keep(one)
      end

      get "/jobs/:number/sounds/:id.wav" do
        file = SoundUploader.uploaded_file(reading.question["file"])
        content_type "audio/wav"
        cache_control :private, max_age: 86_400
        file.open { |io| io.read }
      end

      private

      def form(given)
        SoundForm.new(job, position, current_user, given)
      end

      def page(one)
        station(:sound, at: "look", form: one, reading: shown, beside: other)
      end

      def bytes
        return simulated if params[:simulated].to_s != ""
        params[:wav].is_a?(Hash) ? params[:wav][:tempfile].read(SoundUploader::LARGEST + 1) : nil
      end

      def simulated
        kind = FenboSimulation::Microphone::KINDS.include?(params[:simulated]) ? params[:simulated] : "healthy"
        speed = Fenbo::Quantities.read(params[:rpm].to_s, "speed")
        FenboSimulation::Microphone.new(
          kind:,
          rpm: (speed.ok? && speed.value.between?(600, 3600)) ? speed.value : 1300,
          blades: whole(params[:blades]).clamp(3, 7),
          hertz: job.unit.supply_hertz,
          random: Random.new,
          background: %w[room compressor],
          recorder: "phone"
        ).wav
      end

      def keep(one)
        reading = one.keep(client_id:, visit:)
        back_to "/jobs/#{job.number}/sounds?fan=#{position.key}&reading=#{reading.id}",
          "Recording kept: #{test_of("sound_recording").label(reading.verdict).downcase}."
      end

      def kept
        @kept ||= job.readings.select { |one| one.kind == "sound" && !one.voided? }
      end

      def shown
        kept.find { |one| one.id == whole(params[:reading]) } ||
          kept.reverse.find { |one| one.fan_position_id == position.id }
      end

      # Another recording of this unit to lie over it: a neighbour, or years ago.
      def other
        params[:beside].to_s.empty? ? nil : unit_recordings.find { |one| one.id == whole(params[:beside]) }
      end

      def unit_recordings
        @unit_recordings ||=
          Reading.live.where(kind: "sound", fan_position: job.unit.fan_positions).order(taken_at: :desc).limit(30).to_a
      end

      def reading
        Reading.live.where(kind: "sound", fan_position: job.unit.fan_positions).find(whole(params[:id]))
      end
    end
  end
end
