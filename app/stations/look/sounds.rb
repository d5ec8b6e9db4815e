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
        sound = form(params)
        halt 422, page(sound) unless Shared::Heavy.turn { sound.ask(bytes) }
        keep(sound)
      rescue Shared::Heavy::Busy
        headers "retry-after" => Shared::Heavy::PATIENCE.to_s
        sound.fault("wav", "Another recording is being read. Wait a moment, then send this one again.")
        halt 503, page(sound)
      end

      get "/jobs/:number/sounds/:id.wav" do
        file = SoundUploader.uploaded_file(unit_readings.recording(uuid(params[:id])).question["file"])
        content_type "audio/wav"
        cache_control :private, max_age: 86_400
        file.open { |io| io.read }
      end

      private

      def form(given)
        SoundForm.new(job, position, given)
      end

      def page(sound)
        station(:sound, at: "look", form: sound, reading: shown, beside: other)
      end

      def bytes
        return simulated if params[:simulated].to_s != ""
        uploaded(:wav)&.read(SoundUploader::LARGEST + 1)
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

      def keep(sound)
        entry = sound.entry(id: client_id)
        reading = take(entry)
        back_to "/jobs/#{job.number}/sounds?fan=#{spot}&reading=#{entry.id}",
          "Recording kept: #{test_of("sound_recording").label(reading.verdict).downcase}."
      end

      def shown
        kept = job.readings_of("sound")
        kept.find { |reading| reading.id == params[:reading] } ||
          kept.reverse.find { |reading| reading.fan == position.key }
      end

      # Another recording of this unit to lie over it: a neighbour, or years ago.
      def other
        unit_recordings.find { |reading| reading.id == params[:beside] } unless params[:beside].to_s.empty?
      end

      def unit_readings = UnitReadings.new(job.unit.uid)

      def unit_recordings = @unit_recordings ||= unit_readings.recordings
    end
  end
end
