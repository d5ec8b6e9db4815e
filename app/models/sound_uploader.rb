# frozen_string_literal: true

# Recordings in the same store as the photos; what they are was proved by reading them.
class SoundUploader < Shrine
  self.storages = PhotoUploader.storages
end
