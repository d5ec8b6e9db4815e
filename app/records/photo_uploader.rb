# frozen_string_literal: true

require "marcel"
# What it has against a picture is told to whoever sent it, not to the log.
ENV["VIPS_WARNING"] ||= "1"
require "vips"

# What counts as a photo: decided by its content, never by its name.
class PhotoUploader < Shrine
  TYPES = {"image/jpeg" => "JPEG", "image/png" => "PNG", "image/webp" => "WebP"}.freeze
  LARGEST = 12 * 1024 * 1024
  # A few kilobytes can say that they are billions of pixels.
  MOST_PIXELS = 60_000_000

  self.storages = FileStore.storages

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
    return "This is no photo. #{TYPES.values.join(", ")} can be kept." unless TYPES.key?(type)
    "The photo has more than #{MOST_PIXELS / 1_000_000} million points." if pixels(io) > MOST_PIXELS
  rescue Vips::Error
    "The photo is broken: it cannot be opened."
  end

  # By its heading alone; nothing of it is unpacked.
  def self.pixels(io)
    picture = io.respond_to?(:path) ? Vips::Image.new_from_file(io.path) : Vips::Image.new_from_buffer(io.read, "")
    io.rewind
    picture.width * picture.height
  end
end
