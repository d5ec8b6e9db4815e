# frozen_string_literal: true

# Files that Fenbo makes itself to be fetched once, in the same store as the photos.
class ZipUploader < Shrine
  self.storages = PhotoUploader.storages
end
