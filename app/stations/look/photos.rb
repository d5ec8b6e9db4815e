# frozen_string_literal: true

module Stations
  module Look
    # Photos in, and out again only to somebody signed in.
    class Photos < Shared::Route
      post "/jobs/:number/photos" do
        take_or_refuse(entry, "The photo was not kept")
        back_to "/jobs/#{job.number}/#{at}?#{Rack::Utils.build_query(where)}", "Photo kept."
      end

      get "/photos/:id" do
        photo = Photo.live.find_by!(client_id: uuid(params[:id]))
        content_type photo.image_data.dig("metadata", "mime_type")
        cache_control :private, max_age: 86_400
        photo.file.open { |io| io.read }
      end

      get "/photos/:id/small" do
        photo = Photo.live.find_by!(client_id: uuid(params[:id]))
        small = small(photo) or redirect to("/photos/#{photo.client_id}"), 303
        content_type "image/webp"
        cache_control :private, max_age: 86_400
        small.open { |io| io.read }
      end

      private

      # Of one that came in a job file it is made when it is first asked for.
      def small(photo)
        Thumbnails.of(photo.file)
      rescue Vips::Error => problem
        env["rack.errors"].puts "no small copy of photo #{photo.client_id}: #{problem.message.lines.first}"
        nil
      end

      def at
        Fenbo::JobFile::STATIONS.include?(params[:station]) ? params[:station] : "look"
      end

      # Back to the step it belongs to, where it does.
      def where
        {"fan" => spot, "task" => params[:task], "step" => params[:step]}.compact
      end

      def entry
        upload = uploaded(:photo)
        Entries::Photo.new(id: client_id, fan: position.key, upload:, station: at, step: text(:step, 60),
          caption: text(:caption, 200))
      end
    end
  end
end
