# frozen_string_literal: true

module Fenbo
  module Sourcing
    # When the part of one offer is in the technician's hand, and whether that
    # takes a second trip. `at` is nil where it cannot be had, with `why`; `at_hand` where nobody
    # has to leave for it.
    Ready = Value.of(:at, :second_trip, why: nil, at_hand: false) do
      def self.of(offer, question, from)
        case offer.kind
        when "van", "own" then new(at: from, second_trip: false, at_hand: true)
        when "counter" then of_counter(offer, from)
        when "order" then of_order(offer, question, from)
        end
      end

      # There and back are travel_minutes together; the counter must be open on
      # arrival.
      def self.of_counter(offer, from)
        return new(at: nil, second_trip: false, why: "not in stock") unless offer.in_stock
        half = offer.travel_minutes * 30
        arrival = offer.open.next_open(from + half)
        return new(at: nil, second_trip: false, why: "never open") unless arrival
        new(at: arrival + half, second_trip: arrival - half - from > 0 && arrival.yday != from.yday)
      end

      # Placed by the cut-off of a working day it counts from that day, else from
      # the next.
      def self.of_order(offer, question, from)
        hours = question.work_hours
        in_time = hours.working_day?(from) && (offer.cutoff.nil? || from <= hours.at(from, offer.cutoff))
        placed = in_time ? from : hours.working_days_after(from, 1, hours.from)
        arrives = hours.working_days_after(placed, offer.lead_days, offer.delivers_at || hours.from)
        new(at: [arrives, from].max, second_trip: true)
      end
    end
  end
end
