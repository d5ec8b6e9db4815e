# frozen_string_literal: true

module Suppliers
  # The port to whoever sells parts: what Fenbo asks, whoever answers.
  #   OnVan       what lies on the van of whoever drives to the job
  #   Priced      suppliers with a price service
  #   Listed      suppliers whose price list was loaded as CSV
  #
  # A part has part_no, maker and price_cents. A supplier that fails costs its offers, never
  # the page.
  module Desk
    # The longest a page waits for a supplier.
    SECONDS = 1.5

    module_function

    # @param with [Priced] a spec sets its own
    def service=(with)
      @service = with
    end

    def service
      @service ||= service_at(ENV["FENBO_PRICE_SERVICE"])
    end

    # @param address [String, nil] of a price service; nil is the one that ships with Fenbo
    def service_at(address)
      Priced.new(Service.at(address, seconds: SECONDS), limits: -> { Setting.limits })
    end

    # @return [Array<Hash>] those the tool `source` could read
    def offers(part) = offers_of([part]).fetch(part.part_no)

    # @return [Hash{String => Array<Hash>}] part number => offers
    def offers_of(parts)
      priced, listed = service.offers(parts), Listed.offers(parts)
      parts.to_h do |part|
        told = [OnVan.offer(part), *priced[part.part_no], *listed[part.part_no]].compact
        [part.part_no, told.select { |offer| offer["id"].present? && offer["price_cents"].is_a?(Integer) }]
      end
    end

    # Whether an order can be sent there; others are rung.
    def takes_orders?(id) = service.sells?(id)

    # How the suppliers stand that are asked over the net.
    # @return [Array<Priced::Standing>]
    def standing = service.standing

    def at_hand = OnVan.there.keys

    # The name, or the id of one that is not known any more.
    def name_of(id)
      (OnVan::NAME if id == OnVan::VAN) || service.name_of(id) || Listed.name_of(id) || id
    end
  end
end
