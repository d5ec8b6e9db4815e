# frozen_string_literal: true

module Stations
  module Look
    # A recording of one fan: uploaded, recorded in the browser, or made by the simulated
    # microphone; read by the core, kept in the file store, and noted as a finding with
    # its weights.
    class SoundForm
      attr_reader :result, :faults

      # @param job [Fenbo::JobFile::Job]
      def initialize(job, position, params)
        @job = job
        @position = position
        @params = params
        @faults = {}
      end

      def blades = whole("blades", 1..24)

      def rpm = @params["rpm"].to_s.empty? ? nil : quantity("rpm", "speed")

      def hertz = @job.unit.supply_hertz

      # @param bytes [String, nil] of a WAV file
      def ask(bytes)
        return refuse("Choose a WAV file first, or record one.") if bytes.nil? || bytes.empty?
        most = SoundUploader::LARGEST
        return refuse("The recording is larger than #{most / 1024 / 1024} MB.") if bytes.bytesize > most
        asked = {"rpm" => rpm, "blades" => blades, "hertz" => hertz}
        return false if faults.any?
        @bytes = bytes
        read(asked)
      end

      # The reading to be kept; its file goes to the store first.
      def entry(id:)
        file = SoundUploader.upload(StringIO.new(@bytes), :store)
        Entries::Reading.new(id:, fan: @position.key, kind: "sound", typed: @params.slice("rpm", "blades"),
          question: @asked.merge("file" => file.data), result: result.as_json.merge("curves" => @curves.as_json),
          findings: [[@position.key, "sound_recording", result.verdict, weights]])
      end

      private

      def read(asked)
        input = Fenbo::Input.new(asked.merge("wav_bytes" => @bytes))
        question = Fenbo::Sound::Recording.read(input, Shared::Shop.limits)
        return refuse("The recording #{input.refusal.faults.first.message}.") unless input.clean?
        recording = Fenbo::Sound::Recording.new(question, Shared::Shop.limits)
        @result = Fenbo::Tools.entry("sound").answer(recording.answer)
        @curves, @asked = Fenbo::Sound::Curves.of(recording), asked
        true
      end

      def weights
        (result.verdict == "unclear") ? nil : result.kinds.to_h { |kind| [kind.id, kind.weight] }
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
