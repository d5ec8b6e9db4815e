# frozen_string_literal: true

module Shared
  # Reading what came with a request, whoever sent it and however: files, ids, figures, words.
  module Sent
    UUID = /\A\h{8}-\h{4}-\h{4}-\h{4}-\h{12}\z/

    # Whether a field came with a file; anybody can send a field that is only named like one.
    def self.file?(field)
      field.is_a?(Hash) && field[:tempfile].respond_to?(:read)
    end

    private

    # The file that came with a field, nil where none did.
    def uploaded(name)
      params[name][:tempfile] if Sent.file?(params[name])
    end

    # Nobody types a zero byte, and the database cannot hold one.
    def unreadable?(value)
      case value
      when Hash
        value.each_value.any? { |one| unreadable?(one) }
      when Array
        value.any? { |one| unreadable?(one) }
      when String
        !value.valid_encoding? || value.include?("\0")
      end
    end

    # What was typed into the form of this address and what is wrong there, where that was sent
    # and refused: a page may have several whose fields have one name.
    # @return [Array(Hash, Hash)]
    def refused_at(action, faults)
      (writing? && request.path == action) ? [params, faults] : [{}, {}]
    end

    def whole(text) = text.to_s.match?(/\A\d{1,9}\z/) ? text.to_i : 0

    # The id its sender gave an entry, or one of its own where none is readable.
    def client_id
      UUID.match?(params[:client_id].to_s) ? params[:client_id].downcase : SecureRandom.uuid
    end

    # @raise [ActiveRecord::RecordNotFound] where it is none
    def uuid(text)
      UUID.match?(text.to_s) ? text.downcase : raise(ActiveRecord::RecordNotFound)
    end

    # What was typed in a field that is not a figure, at most so long; nil where nothing was.
    def text(name, longest) = params[name].to_s.strip[0, longest].presence
  end
end
