# frozen_string_literal: true

module Entries
  # That a job is signed, and as it stands: what changed since wants another signature. Where
  # nobody is there to sign, why stands in its place.
  module Signing
    PARTS = {
      "complaint" => "the complaint",
      "words" => "the text",
      "decisions" => "the decisions",
      "findings" => "what was found",
      "readings" => "the readings",
      "photos" => "the photos",
      "parts" => "the parts",
      "steps" => "the work",
      "proof" => "the proof"
    }.freeze

    # What a customer reads and signs, and a handover that is not signed any more.
    WORDS = Fenbo::JobFile::SignedWork::WORDS
    NONE = {signature: nil, signed_name: nil, signed_at: nil, signed_digest: nil, signed_work: nil}.freeze

    # [field, sentence], nil where nothing stands against closing.
    def self.against(book)
      handover = book.job.handover
      return if handover&.unsigned_because
      return [:close, "Have it signed first, or note why nobody signs."] unless handover&.signed?
      changed = changed_words(book.job)
      [:close, "Since it was signed, #{changed} changed: have it signed again, or note why nobody does."] if changed
    end

    # "the decisions and the readings"; nil where all is as it was signed.
    # @param job [Fenbo::JobFile::Job]
    def self.changed_words(job)
      job.handover&.changed_since_signed(job)&.map { |name| PARTS.fetch(name) }&.to_sentence.presence
    end
  end
end
