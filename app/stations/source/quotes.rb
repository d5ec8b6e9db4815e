# frozen_string_literal: true

module Stations
  module Source
    # What the customer is asked, version by version, and what they say to it.
    class Quotes < Shared::Route
      include QuoteWords

      get "/jobs/:number/quote" do
        page
      end

      get "/jobs/:number/quote/:version/quote.pdf" do
        content_type :pdf
        attachment "fenbo-quote-#{job.number}-#{quote.version}.pdf", :inline
        QuotePdf.new(job, quote, self).render
      end

      # What was agreed, line by line, for whoever writes the invoice.
      get "/jobs/:number/quote/:version/lines.csv" do
        content_type "text/csv"
        attachment "invoice-lines-#{job.number}-#{quote.version}.csv"
        QuoteLines.of(job, quote)
      end

      post "/jobs/:number/quote" do
        need :quote
        form = Shared::Form.new(params)
        discount = form.number(:discount, 0..100) || 0
        halt 422, page(faults: form.faults, typed: params) unless form.clean?
        take Entries::QuoteMade.new(options: builder(discount).options, tax_percent: Setting.read("tax_percent"),
          note: text(:note, 500))
        back_to here, "Quote #{job.number}-#{job.quotes.last.version} made."
      rescue Logbook::Refused => problem
        halt 422, page(faults: {problem.field.to_s => problem.message}, typed: params)
      end

      post "/jobs/:number/quote/:version/answer" do
        need :quote
        form = QuoteForm.new(params)
        answer = form.read or halt 422, page(faults: form.faults, typed: params)
        take Entries::QuoteAnswered.new(version: quote.version, **answer)
        back_to here, (answer[:verdict] == "approved") ? "Their yes is noted." : "Their no is noted."
      rescue Logbook::Refused => problem
        halt 422, page(faults: {problem.field.to_s => problem.message}, typed: params)
      end

      # The link is shown now and never again.
      post "/jobs/:number/quote/:version/link" do
        need :quote
        row = record.quotes.find_by!(version: quote.version)
        page(link: "#{request.base_url}/quote/#{QuoteLink.issue(row, current_user)}")
      end

      private

      # A way of Source that is asked about before it is taken; else what is taken or recommended is.
      WAY = %i[offer stopgap finish_at at].freeze
      private_constant :WAY

      def here
        "/jobs/#{job.number}/quote?#{Rack::Utils.build_query({"fan" => spot, **asked_about})}"
      end

      def asked_about
        params[:offer].to_s.empty? ? {} : WAY.to_h { |name| [name.to_s, params[name].to_s] }
      end

      # @return [Hash, nil] as a part keeps its offer; nil where nothing was asked about, or it is gone
      def way
        return @way if defined?(@way)
        slot = asked_about.slice("offer", "at").reject { |_, value| value.empty? }
        sources = PartSources.new(job, fault_here, clock: product_clock, slot:)
        @way = (sources.option(*params.values_at(:offer, :finish_at, :stopgap))&.as_json if asked_about.any?)
      end

      def quote
        job.quotes.find { |one| one.version == whole(params[:version]) } || raise(ActiveRecord::RecordNotFound)
      end

      def builder(discount = 0)
        QuoteBuilder.new(job, words: self, clock: product_clock, discount_percent: discount,
          asked: {fault_here.key => way}.compact)
      end

      def page(faults: {}, typed: {}, link: nil)
        station(:quote, at: "source", proposed: builder.options, faults:, typed:, link:,
          approval: Fenbo::Decision::Approval.new(job))
      end
    end
  end
end
