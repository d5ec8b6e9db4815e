# frozen_string_literal: true

module PriceLists
  # Who sells parts: those asked over the net, how each stands, and those whose list was loaded.
  class Route < Shared::Route
    FAULTS = %w[silent stale].freeze

    get "/suppliers/?" do
      page
    end

    post "/suppliers" do
      need :edit_catalogue
      form = Form.new(params)
      supplier = form.save or halt 422, page(faults: form.faults, typed: params)
      back_to "/suppliers", "#{supplier.name}: #{count(supplier.supplier_prices.count, "price")}."
    end

    post "/suppliers/:uid/drop" do
      need :edit_catalogue
      supplier = Supplier.find_by!(uid: uuid(params[:uid]))
      Supplier.transaction do
        supplier.destroy!
        Setting.write("price_lists", Supplier.count)
      end
      back_to "/suppliers", "#{supplier.name} is not asked any more."
    end

    # The stand-in made to fail, to see what Fenbo does then.
    post "/suppliers/:id/fault" do
      need :edit_catalogue
      raise ActiveRecord::RecordNotFound unless Suppliers::Desk.takes_orders?(params[:id])
      Suppliers::Desk.service.fault!(params[:id], (params[:kind] if FAULTS.include?(params[:kind])))
      back_to "/suppliers", "#{Suppliers::Desk.name_of(params[:id])}: #{params[:kind].presence || "answers again"}."
    rescue Suppliers::Service::Silent
      back_to "/suppliers", "The price service does not answer."
    end

    private

    # How a supplier that is asked over the net stands.
    def asked_words(one)
      return "not asked yet" if one.state == "answers" && one.as_of.nil?
      {"answers" => "answers", "stale" => "old prices", "silent" => "silent"}[one.state]
    end

    def page(faults: {}, typed: {})
      erb :price_lists, locals: {standing: Suppliers::Desk.standing, faults:, typed:, counts:,
                                 suppliers: Supplier.order(:name).to_a}
    end

    def counts = SupplierPrice.group(:supplier_id).count
  end
end
