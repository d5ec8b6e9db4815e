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

      def here = "/jobs/#{job.number}/quote?fan=#{spot}"

      def quote
        job.quotes.find { |one| one.version == whole(params[:version]) } || raise(ActiveRecord::RecordNotFound)
      end

      def builder(discount = 0)
        QuoteBuilder.new(job, words: self, clock: product_clock, discount_percent: discount)
      end

      def page(faults: {}, typed: {}, link: nil)
        station(:quote, at: "source", proposed: builder.options, faults:, typed:, link:,
          approval: Fenbo::Decision::Approval.new(job))
      end
    end
  end
end
