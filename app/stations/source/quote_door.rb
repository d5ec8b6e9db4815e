# frozen_string_literal: true

module Stations
  module Source
    # Where a customer's link to a quote leads: the quote, and their yes or no, once.
    class QuoteDoor < Shared::Route
      include QuoteWords

      get "/quote/:secret" do
        page
      end

      post "/quote/:secret" do
        form = QuoteForm.new(params)
        answer = form.read or halt 422, page(faults: form.faults, typed: params)
        unless given?(answer)
          fault = against(answer)
          halt 422, page(faults: fault, typed: params) if fault.any?
          give(answer)
        end
        redirect to("/quote/#{params[:secret]}"), 303
      end

      private

      def open_door? = true

      def link
        @link ||= QuoteLink.of(params[:secret]) ||
          halt(*refuse(404, "This link has ended", "Ask whoever sent it for another."))
      end

      def asked_job = @asked_job ||= JobSource.numbered(link.quote.job.number)

      def quote
        asked_job.quotes.find { |one| one.version == link.quote.version }
      end

      # The same word again, by a second press or because its answer was lost.
      def given?(answer)
        said = link.used_at && quote.answer
        said && [said.verdict, said.name] == answer.values_at(:verdict, :name) &&
          (said.option.nil? || said.option == answer[:option])
      end

      # What the same answer would be told on the spot.
      def against(answer)
        return {"verdict" => "It was answered already."} if link.used_at
        return {"verdict" => "This job is closed."} if link.quote.job.closed?
        return {"verdict" => "There is a newer quote: ask for its link."} unless link.quote.latest?
        return {"option" => "Which one?"} if answer[:verdict] == "approved" && quote.option(answer[:option]).nil?
        return {"reason" => "Why not, in a few words?"} if answer[:verdict] == "declined" && answer[:reason].nil?
        {}
      end

      def give(answer)
        link.with_lock do
          next if link.used_at
          QuoteAnswer.give(link.quote, how: "link", at: Time.now, **answer,
            option: (answer[:option] if answer[:verdict] == "approved"))
          link.update!(used_at: Time.now)
        end
      end

      def page(faults: {}, typed: {})
        headers "X-Robots-Tag" => "noindex"
        erb :quote_asked,
          locals: {job: asked_job, quote:, faults:, typed:, open: link.used_at.nil? && link.quote.latest?}
      end
    end
  end
end
