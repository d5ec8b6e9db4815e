# frozen_string_literal: true

module Customers
  # A customer as typed, with one site added or its first one changed.
  class Form < Shared::Form
    def initialize(customer, params)
      super(params)
      @customer = customer
    end

    def save
      @customer.assign_attributes(
        name: text(:name, longest: 120),
        contact: text(:contact, longest: 120),
        phone: text(:phone, longest: 40),
        overtime_allowed: flag(:overtime_allowed),
        approval_limit_cents: cents(:approval_limit),
        rules: text(:rules),
        **lock
      )
      adopt(@customer)
      site = site()
      return false unless clean?
      Customer.transaction { @customer.save! && site&.save! }
      true
    end

    private

    def site
      name = text(:site_name, longest: 120) or return nil
      site = @customer.sites.find { |one| one.name == name } || @customer.sites.build
      site.assign_attributes(
        name:,
        address: text(:site_address),
        access_notes: text(:site_access),
        hours: text(:site_hours, longest: 200)
      )
      site
    end
  end
end
