# frozen_string_literal: true

module Fenbo
  module Sourcing
    # What several ways of one job cost together: what is done once for all of them is paid once,
    # where it costs most. That is a second trip, the parcel or the drive that brings both parts on
    # one day, and the stopgap that both wait behind.
    # Source: docs/sources.md, sourcing/options.
    class PaidOnce
      # The line of a way that takes off what another part has paid already.
      ALREADY = "paid with another part"

      # One way: the lines {"what", "cents"} of an offer, when its part is in hand (a local time)
      # and the stopgap it waits behind.
      Way =
        Value.of(:offer, :stopgap, :ready_at, :lines) do
          # @param kept [Hash] as a part keeps its offer
          def self.of(kept)
            new(offer: kept["offer"], stopgap: kept["stopgap"], ready_at: kept["ready_at"], lines: kept["lines"].to_a)
          end

          def self.read(input)
            new(
              offer: input.text("offer", longest: 80),
              stopgap: input.text("stopgap", required: false, longest: 80),
              ready_at: (input.text("ready_at", required: false) if Question.local(input, "ready_at")),
              lines: input.objects("lines", at_most: 20).map { |one| read_line(one) }
            )
          end

          def self.read_line(input)
            {"what" => input.text("what", longest: 80),
             "cents" => input.integer("cents", at_least: -MONEY[:at_most], at_most: MONEY[:at_most])}
          end
        end

      # @param ways [Array<Way>]
      def initialize(ways)
        @ways = ways
      end

      # Of each way the lines that it pays itself.
      # @return [Array<Array<Hash>>]
      def lines
        @lines ||= @ways.map { |way| way.lines.select { |line| paid_by?(way, line) } }
      end

      # @return [Integer] cents
      def sum = lines.flatten.sum { |line| line["cents"] }

      private

      def paid_by?(way, line)
        return false if line["what"] == ALREADY
        what = once(way, line["what"])
        what.nil? || payers.fetch(what).equal?(line)
      end

      # What is done once => the line that pays for it, the first of the dearest.
      def payers
        @payers ||= @ways.flat_map { |way| way.lines.map { |line| [once(way, line["what"]), line] } }
          .select(&:first).group_by(&:first).transform_values { |same| same.map(&:last).max_by { |one| one["cents"] } }
      end

      # What is done but once, by name; nil for what every way has to itself.
      def once(way, what)
        case what
        when Option::SECOND_TRIP then [what]
        when "freight", "travel" then [what, way.offer, way.ready_at[0, 10]] if way.ready_at
        when "stopgap" then [what, way.stopgap]
        end
      end
    end
  end
end
