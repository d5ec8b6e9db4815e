# frozen_string_literal: true

# Recordings in the same store as the photos; what they are was proved by reading them.
class SoundUploader < Shrine
  LARGEST = 16 * 1024 * 1024

  self.storages = PhotoUploader.storages
end
