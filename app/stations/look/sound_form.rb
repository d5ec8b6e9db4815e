# frozen_string_literal: true

module Stations
  module Look
    # A recording of one fan: uploaded, recorded in the browser, or made by the simulated
    # microphone; read by the core, kept in the file store, and noted as a finding with
    # its weights.
    class SoundForm < Shared::Form
      attr_reader :result

      # @param job [Fenbo::JobFile::Job]
      def initialize(job, position, params)
        super(params)
        @job = job
        @position = position
      end

      def blades = whole("blades", 1..24)

      def rpm = quantity("rpm", "speed")

      def hertz = @job.unit.supply_hertz

      # @param bytes [String, nil] of a WAV file
      def ask(bytes)
        return refuse("Choose a WAV file first, or record one.") if bytes.nil? || bytes.empty?
        most = SoundUploader::LARGEST
        return refuse("The recording is larger than #{most / 1024 / 1024} MB.") if bytes.bytesize > most
        asked = {"rpm" => rpm, "blades" => blades, "hertz" => hertz}
        return false unless clean?
        @bytes = bytes
        read(asked)
      end

      # The reading to be kept; its file goes to the store first.
      def entry(id:)
        file = SoundUploader.upload(StringIO.new(@bytes), :store)
        Entries::Reading.new(id:, fan: @position.key, kind: "sound", typed: params.slice("rpm", "blades"),
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

      def refuse(message)
        fault("wav", message)
        false
      end
    end
  end
end
