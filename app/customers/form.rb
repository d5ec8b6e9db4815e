# frozen_string_literal: true

module Customers
  # A customer as typed, with one site added or its first one changed.
  class Form < Shared::Form
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
      name = text(:site_name, longest: 120, required: ("Which site is that? Give its name." if told.values.any?)) or
        return nil
      site = @customer.sites.find { |one| one.name == name } || @customer.sites.build
      # Of a site that is known, what was left empty stays as it is: its fields come up empty.
      site.assign_attributes(name:, **told.compact)
      site
    end
  end
end
