# frozen_string_literal: true

module Stations
  module Look
    # The frost map: painted, read while it is painted, kept, and out again as JSON or SVG.
    class Frost < Shared::Route
      get "/jobs/:number/frost" do
        page
      end

      # The reading of what is painted so far, as a fragment.
      post "/jobs/:number/frost/reading" do
        form.ask
        partial :frost_reading, form:
      end

      post "/jobs/:number/frost" do
        need :record
        halt 422, page unless form.ask
        take(form.entry(id: client_id))
        back_to "/jobs/#{job.number}/look?fan=#{spot}",
          "Frost map kept: #{test_of("frost_pattern").label(form.result.verdict).downcase}."
      end

      get "/jobs/:number/frost/:id.json" do
        attachment "frost-#{reading.id}.json"
        content_type :json
        JSON.pretty_generate(reading.question)
      end

      get "/jobs/:number/frost/:id.svg" do
        content_type "image/svg+xml"
        frost_map(reading).sub("<svg ", "<svg xmlns=\"http://www.w3.org/2000/svg\" ")
      end

      private

      def form = @form ||= FrostForm.new(job, params)

      def page = station(:frost, at: "look", form:)

      def reading
        job.readings_of("frost").find { |reading| reading.id == params[:id] } || raise(ActiveRecord::RecordNotFound)
      end
    end
  end
end
