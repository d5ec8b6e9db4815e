# frozen_string_literal: true

require "csv"

module Catalogue
  # A CSV file as it comes in at the door: is it text, is it a catalogue, of which kind,
  # has it the columns it needs? Nothing is read further before it is kept.
  class ImportFile
    LARGEST = 80_000_000

    attr_reader :fault

    def initialize(upload, user)
      @upload = upload
      @user = user
    end

    # @return [CatalogueImport, nil] nil with a fault where it is no catalogue
    def receive
      @fault = wrong
      return nil if fault
      CatalogueImport.create!(
        user: @user,
        kind:,
        file_name: name,
        content: text,
        lines: text.count("\n") + (text.end_with?("\n") ? 0 : 1) - 1
      )
    end

    private

    def name = File.basename(@upload[:filename].to_s)[0, 120].scrub("?")

    def text
      @text ||= @upload[:tempfile].read.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF").gsub("\r\n", "\n")
    end

    def header
      @header ||= Fenbo::Matching::Rows.header(text)
    rescue CSV::MalformedCSVError
      @header = []
    end

    def kind = @kind ||= Fenbo::Matching::Sheet.kind_of(header)

    def wrong
      return "Choose a CSV file first." unless Shared::Sent.file?(@upload)
      return "The file is larger than #{LARGEST / 1_000_000} MB: take it in parts." if @upload[:tempfile].size > LARGEST
      return "The file is not UTF-8 text. Save it as “CSV, UTF-8”." unless text.valid_encoding? && !text.include?("\0")
      return "The file is empty." if text.strip.empty?
      unless kind
        return (
          "The first line does not name the columns of motors, blades, other parts or accessories (part_no, maker, " \
            "family …)."
        )
      end
      missing = Fenbo::Matching::Sheet.of(kind).needed - header
      return "The columns #{missing.join(", ")} are missing." if missing.any?
      twice = header.tally.select { |_, count| count > 1 }.keys.reject(&:empty?)
      "The column #{twice.first} stands there twice." if twice.any?
    end
  end
end
