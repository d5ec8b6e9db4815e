# frozen_string_literal: true

module Stations
  module Look
    # A recording of one fan: uploaded, recorded in the browser, or made by the simulated
    # microphone; read by the core, kept in the file store, and noted as a finding with
    # its weights.
    class SoundForm
      attr_reader :result, :faults

      def initialize(job, position, user, params)
        @job = job
        @position = position
        @user = user
        @params = params
        @faults = {}
      end

      def blades = whole("blades", 1..24)

      def rpm = @params["rpm"].to_s.empty? ? nil : quantity("rpm", "speed")

      def hertz = @job.unit.supply_hertz

      # @param bytes [String, nil] of a WAV file
      def ask(bytes)
        return refuse("Choose a WAV file first, or record one.") if bytes.nil? || bytes.empty?
        if bytes.bytesize > SoundUploader::LARGEST
          return refuse("The recording is larger than #{SoundUploader::LARGEST / 1024 / 1024} " \
            "MB.")
        end
        asked = {"rpm" => rpm, "blades" => blades, "hertz" => hertz}
        return false if faults.any?
        @bytes = bytes
        read(asked)
      end

      def keep(client_id:, visit:)
        file = SoundUploader.upload(StringIO.new(@bytes), :store)
        Reading.transaction do
          known = Reading.find_by(client_id:)
          reading =
            Reading.record(
              client_id:,
              job: @job,
              visit:,
              fan_position: @position,
              user: @user,
              kind: "sound",
              phase: "before",
              typed: {
                "rpm" => @params["rpm"],
                "blades" => @params["blades"]
              },
              question: @asked.merge("file" => file.data),
              result: result.to_h.merge(curves: @curves).as_json,
              verdict: result.verdict,
              meter: nil
            )
          note(reading, visit) unless reading == known
          reading
        end
      end

      private

      def read(asked)
        input = Fenbo::Input.new(asked.merge("wav_bytes" => @bytes))
        question = Fenbo::Sound::Recording.read(input, Shared::Shop.limits)
        return refuse(input.refusal.faults.map { |fault| "The recording #{fault.message}." }.first) unless input.clean?
        recording = Fenbo::Sound::Recording.new(question, Shared::Shop.limits)
        @result, @curves, @asked = recording.answer, Fenbo::Sound::Curves.of(recording), asked
        true
      end

      def note(reading, visit)
        weights = result[:kinds].to_h { |one| one.values_at(:id, :weight) }
        Finding.record(
          client_id: SecureRandom.uuid,
          job: @job,
          visit:,
          fan_position: @position,
          user: @user,
          test: "sound_recording",
          outcome: result.verdict,
          weights: ((result.verdict == "unclear") ? nil : weights),
          reading:
        )
      end

      def whole(name, range)
        text = @params[name].to_s.strip
        return nil if text.empty?
        return text.to_i if text.match?(/\A\d{1,2}\z/) && range.cover?(text.to_i)
        faults[name] ||= "A whole number from #{range.first} to #{range.last}."
        nil
      end

      def quantity(name, kind)
        reading = Fenbo::Quantities.read(@params[name].to_s, kind)
        faults[name] ||= reading.fault unless reading.ok?
        reading.value
      end

      def refuse(message)
        faults["wav"] = message
        false
      end
    end
  end
end
