# frozen_string_literal: true

module Routes
  # Units: what they are, their fans, and what happened to them.
  class Units < Base
    get "/units/?" do
      erb :units, locals: {units: Unit.includes(:fan_positions, site: :customer).order(:name)}
    end

    get "/units/new" do
      need :edit_units
      erb :unit_edit, locals: {unit: Unit.new(family: "walk_in_cooler", site_id: whole(params[:site])), typed: {}, faults: {}}
    end

    get "/units/:id" do
      erb :unit, locals: {unit:, history: Services::UnitHistory.new(unit)}
    end

    get "/units/:id/edit" do
      need :edit_units
      erb :unit_edit, locals: {unit:, typed: {}, faults: {}}
    end

    post "/units" do
      need :edit_units
      keep(Unit.new)
    end

    post "/units/:id" do
      need :edit_units
      keep(unit)
    end

    # The plate of the motor that sits in a position.
    get "/units/:id/fans/:fan" do
      need :edit_units
      erb :plate_edit, locals: {unit:, position: fan, typed: {}, faults: {}}
    end

    post "/units/:id/fans/:fan" do
      need :edit_units
      form = Services::PlateForm.new(fan, params, current_user)
      halt 422, erb(:plate_edit, locals: {unit:, position: fan, typed: params, faults: form.faults}) unless form.save
      back_to "/units/#{unit.id}", "Plate of #{fan.label} kept."
    end

    private

    def unit = @unit ||= Unit.preload(fan_positions: [:fitted_motors, :motor_now], site: :customer).find(whole(params[:id]))

    def fan = unit.position(params[:fan]) || raise(ActiveRecord::RecordNotFound)

    def keep(unit)
      form = Services::UnitForm.new(unit, params, current_user)
      halt 422, erb(:unit_edit, locals: {unit:, typed: params, faults: form.faults}) unless form.save
      back_to "/units/#{unit.id}", "#{unit.name} kept."
    end
  end
end
