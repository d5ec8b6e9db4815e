# frozen_string_literal: true

module Pocket
  # What a phone brings back, in the order it was done: an open format (docs/formats.md).
  class Batch
    MOST = 100
    LONGEST = 200_000
    # What a phone can do without signal; whatever else is refused by its form on the server.
    PATH = %r{\A/jobs/\d{1,9}/
      (match|(findings|readings|state|stations|decide|frost|fit|prove|hand_over|close|photos|sounds)
      (/[\w.-]{1,60}){0,3})\z}x

    # One press: `order` on the phone, `id` the client id, `path` and `body` of the form, how many
    # seconds ago it was pressed, what the phone had `seen` of the job then (FirstCome), and
    # whether it shall count `anyway`, though somebody else came first. `pressed_at` is known only
    # of what was left here.
    Press = Fenbo::Value.of(:order, :id, :path, :body, :held_seconds, seen: nil, anyway: false,
      pressed_at: nil) do
      # Number of the job it is about.
      def job = path[/\d+/].to_i
    end

    # What a phone says of a press.
    SENT = %i[order id path body held_seconds seen anyway].freeze

    attr_reader :list, :faults

    # @param text [String] {"entries": [{"order", "id", "path", "body", "held_seconds"}]}
    def self.read(text)
      new(JSON.parse(text.to_s))
    rescue JSON::ParserError
      new(nil)
    end

    # One press that came with files.
    # @param text [String] of the press alone
    def self.read_one(text)
      new("entries" => [JSON.parse(text.to_s)])
    rescue JSON::ParserError
      new(nil)
    end

    def initialize(told)
      @faults = []
      rows = told["entries"] if told.is_a?(Hash)
      if rows.is_a?(Array) && rows.size <= MOST
        @list = rows.each_with_index.map { |row, index| press(row, index) }
      else
        fault("entries", "must be a list of at most #{MOST}")
      end
    end

    def clean? = faults.empty?

    private

    def press(row, index)
      at = "entries[#{index}]"
      return fault(at, "must be an object") unless row.is_a?(Hash)
      fault("#{at}.order", "must be a whole number") unless row["order"].is_a?(Integer)
      fault("#{at}.id", "must be a uuid") unless Shared::Sent::UUID.match?(row["id"].to_s)
      fault("#{at}.path", "is nothing that is done without signal") unless PATH.match?(row["path"].to_s)
      fault("#{at}.body", "must be a form of at most #{LONGEST} characters") unless form?(row["body"])
      fault("#{at}.held_seconds", "must be a number from 0") unless row["held_seconds"].is_a?(Numeric) &&
        row["held_seconds"] >= 0
      fault("#{at}.seen", "must be an object") unless row["seen"].nil? || row["seen"].is_a?(Hash)
      Press.new(**SENT.to_h { |name| [name, row[name.to_s]] })
    end

    def form?(body) = body.is_a?(String) && body.size <= LONGEST

    def fault(field, message)
      @faults << {field:, message:}
      nil
    end
  end
end
