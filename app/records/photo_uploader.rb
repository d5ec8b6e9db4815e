# frozen_string_literal: true

require "marcel"
# What it has against a picture is told to whoever sent it, not to the log.
ENV["VIPS_WARNING"] ||= "1"
require "vips"

# Photos in the file store.
class PhotoUploader < Shrine
  extend PictureRules

  self.storages = FileStore.storages

  plugin :signature
  plugin :add_metadata
  # What a job file names it by, so that whoever gets one can tell it is whole.
  add_metadata(:sha256) { |io| calculate_signature(io, :sha256, format: :hex) }

  plugin :determine_mime_type, analyzer: ->(io, _analyzers) { Marcel::MimeType.for(io) }

  # By its heading alone; nothing of it is unpacked. Nil where there is none.
  def self.pixels(io)
    picture = io.respond_to?(:path) ? Vips::Image.new_from_file(io.path) : Vips::Image.new_from_buffer(io.read, "")
    io.rewind
    picture.width * picture.height
  rescue Vips::Error
    nil
  end
end
