# frozen_string_literal: true

require "marcel"

# What counts as a photo: decided by its content, never by its name.
class PhotoUploader < Shrine
  TYPES = {"image/jpeg" => "JPEG", "image/png" => "PNG", "image/webp" => "WebP"}.freeze
  LARGEST = 12 * 1024 * 1024

  root = File.expand_path(ENV.fetch("FENBO_FILES", "../../var/files"), ENV["FENBO_FILES"] ? "/" : __dir__)
  self.storages = {
    cache: Shrine::Storage::FileSystem.new(root, prefix: "cache"),
    store: Shrine::Storage::FileSystem.new(root, prefix: "store")
  }

  plugin :signature
  plugin :add_metadata
  # What a job file names it by, so that whoever gets one can tell it is whole.
  add_metadata(:sha256) { |io| calculate_signature(io, :sha256, format: :hex) }

  plugin :determine_mime_type, analyzer: ->(io, _analyzers) { Marcel::MimeType.for(io) }

  # A plain sentence when `io` cannot be kept, else nil.
  def self.fault(io)
    return "Choose a photo first." if io.nil? || io.size.zero?
    return "The photo is larger than #{LARGEST / 1024 / 1024} MB." if io.size > LARGEST
    type = determine_mime_type(io)
    "This is no photo. #{TYPES.values.join(", ")} can be kept." unless TYPES.key?(type)
  end
end
