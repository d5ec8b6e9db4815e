# frozen_string_literal: true

module Entries
  # A picture of a fan, taken at a station or at a step of the work plan; its file is kept first.
  Photo = Entry.of(:id, :fan, :upload, :station, step: nil, caption: nil) do
    def against(_book)
      message = PhotoUploader.fault(upload)
      [:photo, message] if message
    end

    def known(book) = ::Photo.find_by(client_id: id, job: book.record)

    def append(book)
      ::Photo.keep(upload, client_id: id, job: book.record, visit: book.visit, fan_position: book.fan(fan),
        user: book.user, station:, step:, caption:)
    end
  end
end
