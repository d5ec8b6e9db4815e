# frozen_string_literal: true

require "json"
require "time"
require "zlib"

module FenboSimulation
  # Suppliers' price service, in small and made up: a Rack application that tells who sells,
  # what a part costs there and whether it lies there, and takes orders. Now and then, by its
  # seed and the hour, a seller does not answer, or answers with what was true yesterday.
  #
  #   GET    /suppliers
  #   POST   /suppliers/ID/offers  {"parts": [{"part_no", "maker", "price_cents"}]}
  #   PUT    /suppliers/ID/orders/ORDER {"part_no", "count"}   201, or 409 when it is sold out
  #   GET    /suppliers/ID/orders/ORDER      its state, and the days its delivery slips
  #   DELETE /suppliers/ID/orders/ORDER
  #   POST   /suppliers/ID/fault {"kind": "silent" | "stale" | null}   for trying it out
  #   POST   /suppliers/ID/orders/ORDER/slip {"days": 2}               likewise
  class PriceService
    autoload :Ledger, "fenbo_simulation/price_service/ledger"
    autoload :Seller, "fenbo_simulation/price_service/seller"

    MOST_BODY = 1_000_000
    STALE_HOURS = 26
    # One hour in so many a seller is silent, and in another its answers are old.
    SELDOM = 40

    # @param seed [Integer, nil] of the bad hours; nil: none
    # @param silence_s [Numeric] how long a silent seller keeps a caller waiting
    def initialize(ledger: Ledger.new(nil), seed: nil, silence_s: 5, now: -> { Time.now })
      @sellers = Seller.all.to_h { |one| [one.id, one] }
      @ledger = ledger
      @seed = seed
      @silence_s = silence_s
      @now = now
    end

    def call(env)
      method, path = env.values_at("REQUEST_METHOD", "PATH_INFO")
      return answer(200, @sellers.values.map(&:about)) if [method, path] == %w[GET /suppliers]
      _, kind, id, *rest = path.split("/")
      seller = @sellers[id] if kind == "suppliers"
      return answer(404, {"error" => "there is nothing here"}) unless seller
      return control(seller, rest, body(env)) if method == "POST" && rest != ["offers"]
      return silence if fault_of(seller) == "silent"
      serve(method, seller, rest, body(env))
    rescue JSON::ParserError, KeyError, TypeError => problem
      answer(400, {"error" => "not understood: #{problem.message.lines.first}"})
    end

    private

    def serve(method, seller, rest, body)
      case [method, *rest]
      in ["POST", "offers"] then answer(200, offers(seller, body))
      in ["PUT", "orders", id] then place(seller, id, body)
      in ["GET", "orders", id] then answer(*((found = @ledger.order(id)) ? [200, found] : [404, {}]))
      in ["DELETE", "orders", id] then answer(200, @ledger.cancel(id) || {})
      else answer(404, {"error" => "there is nothing here"})
      end
    end

    def offers(seller, body)
      stale = fault_of(seller) == "stale"
      told = body.fetch("parts").to_h do |part|
        [part.fetch("part_no"),
          seller.offer(part, sold: @ledger.sold(seller.id, part["part_no"]), year: @now.call.year)]
      end
      {"as_of" => (@now.call - (stale ? STALE_HOURS * 3600 : 0)).utc.iso8601, "offers" => told.compact}
    end

    def place(seller, id, body)
      part_no, count = body.fetch("part_no"), Integer(body.fetch("count"))
      order = {"seller" => seller.id, "part_no" => part_no, "count" => count}
      placed = @ledger.place(id, order) { |sold| seller.stock(part_no) - sold >= count }
      placed ? answer(201, placed) : answer(409, {"error" => "sold out"})
    end

    def control(seller, rest, body)
      case rest
      in ["fault"] then answer(200, {"kind" => @ledger.fault!(seller.id, body["kind"])})
      in ["orders", id, "slip"] then @ledger.order(id) ? answer(200,
        {"days" => @ledger.slip(id, Integer(body["days"]))}) : answer(404, {})
      else answer(404, {"error" => "there is nothing here"})
      end
    end

    # Set by hand, else by the seed and the hour.
    def fault_of(seller)
      forced = @ledger.fault(seller.id)
      return forced if forced || @seed.nil?
      {0 => "silent", 1 => "stale"}[Zlib.crc32("#{@seed}/#{seller.id}/#{@now.call.to_i / 3600}") % SELDOM]
    end

    def silence
      sleep @silence_s
      answer(503, {"error" => "no answer"})
    end

    def body(env)
      text = env["rack.input"]&.read(MOST_BODY).to_s
      text.empty? ? {} : JSON.parse(text)
    end

    def answer(status, what)
      text = JSON.generate(what)
      [status, {"content-type" => "application/json", "content-length" => text.bytesize.to_s}, [text]]
    end
  end
end
