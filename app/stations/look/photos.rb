# frozen_string_literal: true

module Stations
  module Look
    # Photos in, and out again only to somebody signed in.
    class Photos < Shared::Route
      post "/jobs/:number/photos" do
        need :record
        back = "/jobs/#{job.number}/#{Job::STATIONS.include?(params[:station]) ? params[:station] : "look"}"
        upload = params[:photo].is_a?(Hash) ? params[:photo][:tempfile] : nil
        fault = PhotoUploader.fault(upload)
        halt 422, erb(:error, locals: {code: 422, title: "The photo was not kept", text: fault}) if fault
        keep(upload)
        back_to "#{back}?fan=#{position.key}", "Photo kept."
      end

      get "/photos/:id" do
        photo = Photo.live.find(whole(params[:id]))
        content_type photo.image_data.dig("metadata", "mime_type")
        cache_control :private, max_age: 86_400
        photo.file.open { |io| io.read }
      end

      private

      def keep(upload)
        Photo.keep(
          upload,
          client_id:,
          job:,
          visit:,
          fan_position: position,
          user: current_user,
          station: Job::STATIONS.include?(params[:station]) ? params[:station] : "look",
          caption: params[:caption].to_s.strip[0, 200].presence
        )
      end
    end
  end
end
