# frozen_string_literal: true

module Customers
  # A customer as typed, with one site added or changed.
  class Form < Shared::Form
    WHICH = "Which site is that? Give its name."

    def initialize(customer, params)
      super(params)
      @customer = customer
    end

    def save
      @customer.assign_attributes(sent(
        name: [:name, text(:name, longest: 120)],
        contact: [:contact, text(:contact, longest: 120)],
        phone: [:phone, text(:phone, longest: 40)],
        # A box that is not ticked is not sent: it came where the name did.
        overtime_allowed: [:name, flag(:overtime_allowed)],
        approval_limit_cents: [:approval_limit, cents(:approval_limit)],
        rules: [:rules, text(:rules)]
      ).merge(lock))
      adopt(@customer)
      site = site()
      return false unless clean?
      Customer.transaction { @customer.save! && site&.save! }
      true
    end

    private

    # Fields that came with the form; one that did not come was not emptied by anybody.
    def sent(fields)
      fields.filter_map { |column, (field, value)| [column, value] if params.key?(field.to_s) }.to_h
    end

    def site
      told = {address: text(:site_address), access_notes: text(:site_access), hours: text(:site_hours, longest: 200)}
      name = text(:site_name, longest: 120, required: (WHICH if opened || told.values.any?)) or return nil
      # Opened with what stands there, it is as it was sent. A known name typed anew changes only
      # what came with it.
      return opened.tap { |site| site.assign_attributes(name:, **told) } if opened
      site = @customer.sites.find { |one| one.name == name } || @customer.sites.build
      site.assign_attributes(name:, **told.compact)
      site
    end

    # The site that was opened to be changed.
    def opened
      @customer.sites.find { |one| one.id.to_s == id(:site) }
    end
  end
end
