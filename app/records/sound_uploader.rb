# frozen_string_literal: true

# Recordings in the same store as the photos; what they are was proved by reading them.
class SoundUploader < Shrine
  LARGEST = 16 * 1024 * 1024

  self.storages = PhotoUploader.storages

  plugin :signature
  plugin :add_metadata
  add_metadata(:sha256) { |io| calculate_signature(io, :sha256, format: :hex) }
end
