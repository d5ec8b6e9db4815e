# frozen_string_literal: true

# A picture taken at a station, kept in the file store. It goes there before the
# row is made, since the row never changes afterwards.
class Photo < ApplicationRecord
  include Recorded

  def self.keep(io, **attributes)
    file = PhotoUploader.upload(io, :store)
    Thumbnails.of(file)
    record(image_data: file.data, **attributes)
  rescue Vips::Error
    # Whole by its heading, but not behind it.
    raise Logbook::Refused.new(:photo, PictureRules::BROKEN)
  end

  def file = PhotoUploader.uploaded_file(image_data)
end
