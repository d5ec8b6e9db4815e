# frozen_string_literal: true

module Customers
  # A customer as typed, with one site added or its first one changed.
  class Form
    attr_reader :faults

    def initialize(customer, params)
      @customer = customer
      @params = params
      @typed = Shared::Typed.new(params)
      @faults = @typed.faults
    end

    def save
      @customer.assign_attributes(
        name: @typed.text(:name, longest: 120),
        contact: @typed.text(:contact, longest: 120),
        phone: @typed.text(:phone, longest: 40),
        overtime_allowed: @typed.flag(:overtime_allowed),
        approval_limit_cents: @typed.cents(:approval_limit),
        rules: @typed.text(:rules),
        **lock
      )
      @customer.validate
      @customer.errors.each { |error| @typed.fault(error.attribute, error.message) }
      site = site()
      return false unless @typed.clean?
      Customer.transaction { @customer.save! && site&.save! }
      true
    end

    private

    def lock
      @params[:lock_version].to_s.match?(/\A\d{1,9}\z/) ? {lock_version: @params[:lock_version].to_i} : {}
    end

    def site
      name = @typed.text(:site_name, longest: 120) or return nil
      site = @customer.sites.find { |one| one.name == name } || @customer.sites.build
      site.assign_attributes(
        name:,
        address: @typed.text(:site_address),
        access_notes: @typed.text(:site_access),
        hours: @typed.text(:site_hours, longest: 200)
      )
      site
    end
  end
end
