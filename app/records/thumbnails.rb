# frozen_string_literal: true

require "image_processing/vips"

# Small copies of photos, made once and kept beside them in the file store.
module Thumbnails
  EDGE = 480
  # libvips gets one thread a picture: two cores have other work too.
  Vips.concurrency_set(1)
  # Only readers that are kept safe against strangers' files.
  Vips.block_untrusted(true)

  module_function

  # @param file [Shrine::UploadedFile] a photo
  # @return [Shrine::UploadedFile] as WebP
  def of(file)
    small = PhotoUploader::UploadedFile.new("id" => "#{file.id}-#{EDGE}.webp", "storage" => "store")
    make(file, small) unless small.exists?
    small
  end

  # Beside it first, so that nobody is shown half of it.
  def make(file, small)
    file.download do |whole|
      made = ImageProcessing::Vips.source(whole).loader(fail_on: :error).resize_to_limit(EDGE, EDGE).convert("webp")
        .saver(strip: true, quality: 80).call
      begin
        small.storage.upload(made, small.id)
      ensure
        made.close!
      end
    end
  end
end
