# frozen_string_literal: true

module Suppliers
  # The port to whoever sells parts: what Fenbo asks, whichever adapter answers.
  # What lies on vans is the shop's own to know (Suppliers::OnVan); an adapter prices it.
  # An adapter has
  #   offers(part)   for a part with part_no, maker and price_cents: offers as the tool
  #                  `source` takes them, [] where it has none
  #   name_of(id)    what people call a supplier, nil where it is not known
  #
  # A service that fails costs its offers, never the page: it is written to the log and
  # asked again at the next look.
  module Desk
    module_function

    # @param with an adapter; a spec or a shop's own configuration sets it
    def adapter=(with)
      @adapter = with
    end

    def adapter = @adapter ||= StandIn.new

    # @return [Array<Hash>] those the tool `source` could read
    def offers(part)
      asked([]) { adapter.offers(part) }
        .select { |offer| offer["id"].present? && offer["price_cents"].is_a?(Integer) }
        .reject { |offer| offer["kind"] == OnVan::VAN && !OnVan.has?(part.part_no) }
    end

    def at_hand = OnVan.there.keys

    # The name, or the id of one that is not known any more.
    def name_of(id) = asked(nil) { adapter.name_of(id) } || id

    def asked(nothing)
      yield
    rescue => problem
      warn "supplier service: #{problem.class}: #{problem.message.lines.first}"
      nothing
    end
    private_class_method :asked
  end
end
