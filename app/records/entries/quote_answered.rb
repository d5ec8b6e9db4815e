# frozen_string_literal: true

module Entries
  # What a customer said to a quote, on the spot (signature) or as somebody was told (told).
  QuoteAnswered = Entry.of(:version, :verdict, :name, option: nil, signature: nil, reason: nil) do
    def action = :quote

    def against(book)
      quote = quote(book) or return [:version, "There is no such quote."]
      return [:version, "There is a newer quote: have that one answered."] unless quote.latest?
      if quote.valid_until < book.now
        return [:version,
          "It was valid until #{quote.valid_until.getlocal.to_date.iso8601}: make a new one."]
      end
      return [:name, "Who says so?"] if name.nil?
      return [:option, "Which option?"] if verdict == "approved" && quote.option(option).nil?
      [:reason, "Why not, in a few words?"] if verdict == "declined" && reason.nil?
    end

    def append(book)
      ::QuoteAnswer.give(quote(book), verdict:, name:, how: signature ? "signature" : "told", at: book.now,
        option: (option if verdict == "approved"), signature:, reason:, user: book.user)
    end

    private

    def quote(book) = book.record.quotes.find_by(version:)
  end
end
