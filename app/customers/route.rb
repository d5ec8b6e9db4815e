# frozen_string_literal: true

module Customers
  # Customers with their rules and sites.
  class Route < Shared::Route
    get "/customers/?" do
      erb :customers, locals: {customers: Customer.includes(sites: :units).order(:name)}
    end

    # On the spot: whoever stands before a new customer.
    get "/customers/new" do
      need :add_customers
      edit(Customer.new)
    end

    get "/customers/:id" do
      need :edit_customers
      edit(customer)
    end

    post "/customers" do
      need :add_customers
      keep(Customer.new)
    end

    post "/customers/:id" do
      need :edit_customers
      keep(customer)
    end

    private

    def customer = @customer ||= Customer.find(whole(params[:id]))

    def edit(customer, typed: {}, faults: {})
      site = customer.sites.find { |one| one.id == whole(params[:site]) } if customer.persisted?
      erb(:customer_edit, locals: {customer:, site:, typed:, faults:})
    end

    def keep(customer)
      form = Form.new(customer, params)
      newcomer = customer.new_record?
      halt 422, edit(customer, typed: params, faults: form.faults) unless form.save
      site = customer.sites.first if newcomer && may?(:edit_units)
      return back_to("/units/new?site=#{site.id}", "#{customer.name} kept. Now the unit.") if site
      back_to "/customers", "#{customer.name} kept."
    end
  end
end
