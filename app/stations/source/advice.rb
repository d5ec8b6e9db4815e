# frozen_string_literal: true

module Stations
  module Source
    # What the best way amounts to in a sentence, and what it saves against leaving things.
    class Advice
      # @param ways [Ways]
      # @param words [Shared::Figures] for money and names
      # @param site_hours [String, nil] as they are noted
      def initialize(ways, sources, words:, site_hours: nil)
        @ways = ways
        @sources = sources
        @words = words
        @site_hours = site_hours
      end

      def best = @ways.best&.option

      def headline
        return @sources.thing ? "Nobody has it" : "No part is chosen" unless best
        stopgap = @sources.stopgap(best.stopgap)
        work = "fitted by #{day(best.finish_at)}"
        stopgap ? "#{stopgap.label.split(",").first} now, #{work}." : "#{Suppliers::Desk.name_of(best.offer)}, #{work}."
      end

      # What it saves against the same part without a stopgap, or against the next best.
      def saving
        other = bare || @sources.shown.drop(1).first
        return unless other && other.total_cents > best.total_cents && other != sooner_way&.option
        "Saves #{@words.money(other.total_cents - best.total_cents)} against " \
          "#{bare ? "leaving it as it is" : Suppliers::Desk.name_of(other.offer)}."
      end

      # What being done sooner costs more, where nothing is both.
      def sooner
        way = sooner_way or return
        hours = @words.hours_words(@ways.best.finish_hours - way.finish_hours)
        "Sooner by #{hours}: #{name_of(way)}, by #{day(way.option.finish_at)}, for " \
          "#{@words.money(way.total_cents - best.total_cents)} more."
      end

      def price
        "#{@words.money(best.total_cents)} with work and travel#{", on a second trip" if best.second_trip}."
      end

      # "Tarn counter", "dry ice … now, Passhouse orders", "On the van (overtime)"
      def name_of(way)
        stopgap = @sources.stopgap(way.stopgap)
        name = Suppliers::Desk.name_of(way.offer)
        name += " (overtime)" if way.option&.overtime
        stopgap ? "#{stopgap.label.split(",").first} now, #{name}" : name
      end

      # Where its work finds the site closed.
      def closed
        "The site is closed then: move its work to another hour." if @ways.best&.closed
      end

      # Where it waits until the site lets somebody in.
      def waits
        told = @sources.result.reasons.find { |reason| reason.rule == "source.site_hours" }
        "#{told.text} (#{@site_hours})." if told
      end

      private

      # The next dearer that no other beats on time and cost.
      def sooner_way
        @ways.taken.drop(1).find { |way| way.option.frontier && way.finish_hours < @ways.best.finish_hours }
      end

      def bare
        @sources.shown.find { |one| one.offer == best.offer && one.stopgap.nil? } if best.stopgap
      end

      def day(local) = Shared::Shop.from_local(local).strftime("%A %H:%M")
    end
  end
end
