# frozen_string_literal: true

module Api
  # Meters that send by themselves: the simulated clamp, and what came last. A real
  # meter posts its lines to /api/v1/meter with a bearer token.
  class Meter < Shared::Route
    get "/meter/latest" do
      content_type :json
      JSON.generate(MeterDoor.latest(current_user))
    end

    post "/meter/simulated" do
      need :record
      content_type :json
      unless Fenbo::Electrical::FAMILIES.include?(params[:family]) &&
          FenboSimulation::Clamp::CONDITIONS.key?(params[:condition])
        halt 422, JSON.generate(errors: [{field: "family", message: "is not known"}])
      end
      plate = Fenbo::Quantities.read(params[:plate].to_s, "current")
      halt 422, JSON.generate(errors: [{field: "plate", message: plate.fault}]) unless plate.ok?
      clamp =
        FenboSimulation::Clamp.new(
          family: params[:family],
          plate_amps: plate.value,
          condition: params[:condition],
          turns: whole(params[:turns]).clamp(1, 20),
          random: Random.new
        )
      MeterDoor.new(current_user, source: "simulated clamp").take(clamp.lines(Time.now).join("\n"))
      status 204
    end
  end
end
