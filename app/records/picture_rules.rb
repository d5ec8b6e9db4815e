# frozen_string_literal: true

# What counts as a photo, wherever it is kept: decided by its content, never by its name.
# Whoever is extended by it has `determine_mime_type(io)` and `pixels(io)`.
module PictureRules
  TYPES = {"image/jpeg" => "JPEG", "image/png" => "PNG", "image/webp" => "WebP"}.freeze
  LARGEST = 12 * 1024 * 1024
  # A few kilobytes can say that they are billions of pixels.
  MOST_PIXELS = 60_000_000
  BROKEN = "The photo is broken: it cannot be opened."

  # A plain sentence when `io` cannot be kept, else nil.
  def fault(io)
    return "Choose a photo first." if io.nil? || io.size.zero?
    return "The photo is larger than #{LARGEST / 1024 / 1024} MB." if io.size > LARGEST
    type = determine_mime_type(io)
    return "This is no photo. #{TYPES.values.join(", ")} can be kept." unless TYPES.key?(type)
    points = pixels(io) or return BROKEN
    "The photo has more than #{MOST_PIXELS / 1_000_000} million points." if points > MOST_PIXELS
  end
end
