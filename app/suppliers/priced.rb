# frozen_string_literal: true

module Suppliers
  # Suppliers asked through a price service: side by side, each within a second or so, and what
  # they said remembered for a while. One that is silent costs its answers, never the page:
  # what it said last is used and said to be old.
  class Priced
    # `state`: answers, stale (its own answer is old, or the last one is used), silent.
    Standing = Fenbo::Value.of(:id, :name, :state, as_of: nil)
    # What one said of one part, and when we heard it.
    Told = Fenbo::Value.of(:offer, :as_of, :heard_at)

    # @param service [Service]
    # @param limits [#call] the shop's limits, as they stand
    def initialize(service, limits:, now: -> { Time.now })
      @service = service
      @limits = limits
      @now = now
      @lock = Mutex.new
      @told = Hash.new { |all, id| all[id] = {} }
      @silent_since = {}
    end

    # @param parts [Array<#part_no, #maker, #price_cents>]
    # @return [Hash{String => Array<Hash>}] part number => offers as the tool `source` takes them
    def offers(parts)
      wanted, limits = parts.select(&:price_cents), @limits.call
      sellers.map { |seller| Thread.new { hear(seller["id"], wanted, limits) } }.each(&:join)
      oldest = limits["supplier.oldest_hours"] * 3600
      wanted.to_h do |part|
        [part.part_no, sellers.filter_map { |seller| told(seller["id"], part.part_no, oldest)&.offer }]
      end
    end

    def name_of(id) = seller(id)&.fetch("name")

    # How each stands, after the last asking.
    # @return [Array<Standing>]
    def standing
      stale = @limits.call["supplier.stale_hours"] * 3600
      sellers.map do |seller|
        last = @lock.synchronize { @told[seller["id"]].values.map(&:as_of).max }
        Standing.new(id: seller["id"], name: seller["name"], state: state(seller["id"], last, stale), as_of: last)
      end
    end

    # @return [Symbol] :placed or :sold
    # @raise [Service::Silent] it may be tried again with the same id
    def order(id, order_id, part_no:, count:)
      status, = @service.call("PUT", "/suppliers/#{id}/orders/#{order_id}", {part_no:, count:})
      raise Service::Silent, "answered #{status}" unless [201, 409].include?(status)
      forget(id, part_no)
      (status == 201) ? :placed : :sold
    end

    # @return [Integer, nil] days its delivery slips; nil where it knows of no such order
    # @raise [Service::Silent]
    def slips(id, order_id)
      status, told = @service.call("GET", "/suppliers/#{id}/orders/#{order_id}")
      told["slips_days"].to_i if status == 200
    end

    # @raise [Service::Silent]
    def cancel(id, order_id, part_no:)
      @service.call("DELETE", "/suppliers/#{id}/orders/#{order_id}")
      forget(id, part_no)
    end

    # For trying it out: makes one silent or stale, or well again.
    def fault!(id, kind)
      @service.call("POST", "/suppliers/#{id}/fault", {kind:})
      @lock.synchronize { @silent_since.delete(id) && nil }
      @lock.synchronize {
        @told[id].transform_values! { |one|
          Told.new(offer: one.offer, as_of: one.as_of, heard_at: Time.at(0))
        }
      }
    end

    def sells?(id) = !seller(id).nil?

    private

    def seller(id) = sellers.find { |one| one["id"] == id }

    # Who there is; asked again as long as nobody said so.
    def sellers
      @sellers || @lock.synchronize { @sellers ||= @service.call("GET", "/suppliers").last.freeze }
    rescue Service::Silent => problem
      warn "price service: #{problem.message}"
      []
    end

    # Asks one for what is not known or old, unless it was silent a moment ago. In a thread of
    # its own: it asks nothing of the database, so the limits are brought along.
    def hear(id, parts, limits)
      fresh = limits["supplier.fresh_minutes"] * 60
      asked = @lock.synchronize { parts.reject { |part| younger?(@told[id][part.part_no]&.heard_at, fresh) } }
      return if asked.empty? || younger?(@lock.synchronize { @silent_since[id] }, limits["supplier.rest_seconds"])
      body = {parts: asked.map { |part| {part_no: part.part_no, maker: part.maker, price_cents: part.price_cents} }}
      keep(id, asked, *@service.call("POST", "/suppliers/#{id}/offers", body))
    rescue Service::Silent => problem
      warn "supplier #{id}: #{problem.message}"
      @lock.synchronize { @silent_since[id] = @now.call }
    end

    def keep(id, asked, status, told)
      raise Service::Silent, "answered #{status}" unless status == 200 && told.is_a?(Hash) && told["offers"].is_a?(Hash)
      as_of = Time.iso8601(told["as_of"].to_s)
      @lock.synchronize do
        @silent_since.delete(id)
        asked.each { |part|
          @told[id][part.part_no] = Told.new(offer: told["offers"][part.part_no], as_of:, heard_at: @now.call)
        }
      end
    rescue ArgumentError
      raise Service::Silent, "no time in its answer"
    end

    def told(id, part_no, oldest)
      told = @lock.synchronize { @told[id][part_no] }
      told if younger?(told&.as_of, oldest)
    end

    def younger?(time, seconds) = time && @now.call - time < seconds

    def state(id, last, stale)
      return "silent" if @lock.synchronize { @silent_since[id] }
      (last && !younger?(last, stale)) ? "stale" : "answers"
    end

    def forget(id, part_no) = @lock.synchronize { @told[id].delete(part_no) }
  end
end
