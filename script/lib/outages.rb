# frozen_string_literal: true

require_relative "stopwatch"

# When which part was away, and what those who wrote had of it.
class Outages
  # From the moment it was killed until it was mended.
  Outage = Struct.new(:part, :from, :upto)
  Row = Struct.new(:kills, :refused, :longest)

  # Seconds after the mending that a request in flight may still end badly: the patience of a page.
  AFTER = 3.5

  attr_reader :began

  def initialize
    @began = Stopwatch.now
    @outages = []
  end

  # @yield [Symbol] the part, to be killed and mended
  # @return [Symbol] the part
  def of(part)
    from = Stopwatch.now
    yield part
    @outages << Outage.new(part, from, Stopwatch.now)
    part
  end

  # @param tries [Array<Presses::Try>]
  # @return [Hash{Symbol => Row}]
  def by_part(tries)
    @outages.group_by(&:part).to_h do |part, list|
      refused = list.sum { |outage| refusals(tries).count { |try| during?(outage, try) } }
      [part, Row.new(list.size, refused, list.map { |outage| longest_gap(outage, tries) }.max)]
    end
  end

  # Refused while nothing was away.
  def stray(tries)
    refusals(tries).reject { |try| @outages.any? { |outage| during?(outage, try) } }
  end

  private

  def refusals(tries) = tries.reject { |try| try.code == "303" }

  def during?(outage, try)
    try.ended >= outage.from && try.began <= outage.upto + AFTER
  end

  # The longest time between two acknowledged readings around it.
  def longest_gap(outage, tries)
    ends = tries.select { |try| try.kind == :reading && try.code == "303" }.map(&:ended)
      .select { |at| at.between?(outage.from - 1, outage.upto + AFTER + 5) }.sort
    ends.each_cons(2).map { |one, two| two - one }.max || outage.upto - outage.from
  end
end
