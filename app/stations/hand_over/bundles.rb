# frozen_string_literal: true

module Stations
  module HandOver
    # Reports of many closed jobs at once, asked for here and fetched when they are made.
    class Bundles < Shared::Route
      before { need(:bundle_reports) if current_user }

      get("/reports/?") { page }

      post "/reports/?" do
        form = BundleForm.new(params)
        halt 422, page(typed: params, faults: form.faults) unless form.read
        order(form)
        back_to "/reports", "Asked for: they are made beside your work."
      end

      # Asked every second while one is being made.
      get("/reports/list") { partial :bundle_list, bundles: }

      get "/reports/:id.zip" do
        bundle = ReportBundle.find_by!(id: whole(params[:id]), state: "ready")
        content_type "application/zip"
        attachment "fenbo-reports-#{bundle.from}-#{bundle.upto}.zip"
        bundle.stored.open { |io| io.read }
      end

      private

      # The same press twice asks once.
      def order(form)
        ReportBundle.transaction(requires_new: true) do
          bundle = ReportBundle.create!(user: current_user, customer: form.customer, from: form.from, upto: form.upto,
            client_id:)
          BundleWork.enqueue(bundle.id)
        end
      rescue ActiveRecord::RecordNotUnique
        nil
      end

      def page(typed: {}, faults: {})
        erb :bundles, locals: {bundles:, customers: Customer.order(:name).pluck(:id, :name), typed:, faults:}
      end

      def bundles
        ReportBundle.includes(:user, :customer).order(id: :desc).limit(20)
      end
    end
  end
end
