# frozen_string_literal: true

require "digest"
require "marcel"

# What stands for the file store. Bytes are kept by the page, beside the press that brought
# them; the job file names them as the server's would.
module Files
  module_function

  # @param name [String] within an export of the job
  # @return [Fenbo::JobFile::StoredFile]
  def stored(name, io, mime_type)
    io.rewind
    bytes = io.read
    Fenbo::JobFile::StoredFile.new(name:, mime_type:, bytes: bytes.bytesize,
      sha256: Digest::SHA256.hexdigest(bytes))
  end
end

# Whether a picture can be opened, and how large it is, was tried by the page.
module PhotoUploader
  extend PictureRules

  def self.determine_mime_type(io)
    Marcel::MimeType.for(io).tap { io.rewind }
  end

  def self.pixels(_io) = Phone.pixels
end

# A recording that was just read.
module SoundUploader
  LARGEST = 16 * 1024 * 1024

  # As the store answers.
  Recording = Struct.new(:data)

  def self.upload(io, _store)
    Recording.new(Files.stored("recordings/", io, "audio/wav"))
  end
end

# Nothing simulated is heard where the library for it is missing.
FenboSimulation::Microphone.prepend(Module.new {
  def initialize(**) = raise(Phone::NeedsSignal, "microphone")
})
