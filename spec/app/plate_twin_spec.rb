# frozen_string_literal: true

require_relative "app_spec_helper"

# Where a plate cannot be read any more, the twin beside it stands in, to be looked at first.
RSpec.describe Units::PlateTwin, :rolled_back do
  let(:unit) { create(:unit, fans: 2) }
  let(:user) { create(:user) }
  let(:twin) { unit.position("evaporator-2") }

  def plate(**changes) = twin.motor_now.update!(**changes)

  it "gives the twin's plate as it would be typed, and nothing that is not noted" do
    plate(family: "psc", volts: [208.0, 230.0], amps: [0.68, 0.6], watts: 85, rpm: 1550, capacitor_uf: 7.5,
      integral_blade: true, blade_diameter_mm: 254, horsepower: nil)
    fields = described_class.fields(twin, user)
    expect(fields).to include("family" => "psc", "volts" => "208/230", "amps" => "0.68/0.6", "watts" => "85",
      "rpm" => "1550", "capacitor" => "7.5", "integral_blade" => "1", "blade_diameter" => "254", "rotation" => "ccw",
      "rotation_view" => "shaft_end")
    expect(fields).not_to include("horsepower", "serial", "installed_on")
    inches = described_class.fields(twin, build(:user, unit_system: "us"))
    expect(inches["blade_diameter"]).to eq "10"
  end

  it "has nothing to give where the twin has no motor" do
    twin.fitted_motors.destroy_all
    expect(described_class.fields(twin.reload, user)).to eq({})
  end

  it "fills the page and keeps nothing until it is sent, then keeps just that" do
    sign_in user
    plate(family: "psc", watts: 85, capacitor_uf: 7.5)
    get "/units/#{unit.id}/fans/evaporator-1?twin=evaporator-2"
    expect([status, page]).to match [200, include('value="85"', 'value="7.5"')]
    expect(unit.position("evaporator-1").motor_now.reload.watts).to eq 60
    typed = described_class.fields(twin.reload, user).transform_keys(&:to_sym)
    send_form "/units/#{unit.id}/fans/evaporator-1", **typed
    expect(status).to eq 303
    kept, other = %w[evaporator-1 evaporator-2].map { |key| unit.reload.position(key).motor_now.reload }
    columns = %w[family volts amps watts rpm rotation capacitor_uf shaft_diameter_mm mount]
    expect(kept.attributes.slice(*columns)).to eq other.attributes.slice(*columns)
  end

  it "gives no plate of another unit" do
    sign_in user
    get "/units/#{unit.id}/fans/evaporator-1?twin=condenser-9"
    expect([status, page]).to match [200, include('value="60"')]
  end
end
