# frozen_string_literal: true

module Stations
  module Prove
    # Station 8: proved fixed, before beside after.
    class Route < Shared::Route
      get "/jobs/:number/prove" do
        page
      end

      post "/jobs/:number/prove/checks/:check" do
        take_or_refuse(Entries::ProofTick.new(check: params[:check]), "There is no such check")
        back_to "/jobs/#{job.number}/prove?fan=#{spot}"
      end

      post "/jobs/:number/prove/temperatures" do
        typed = Shared::Form.new(params, system: current_user.unit_system)
        here = visit_here
        arrival, leaving = %i[arrival leaving].map { |moment|
          typed.quantity(moment, "box_temperature", was: here&.public_send(:"#{moment}_c"))
        }
        halt 422, page(faults: typed.faults, typed: params) unless typed.clean?
        take Entries::Temperatures.new(arrival:, leaving:)
        back_to "/jobs/#{job.number}/prove?fan=#{spot}", "Temperatures kept."
      end

      # The chosen part is in; of a motor, from here on the fan is known by its plate.
      post "/jobs/:number/prove/fitted" do
        take_or_refuse(Entries::Fitted.new(fault: fault_here.key), "Nothing to fit yet")
        back_to "/jobs/#{job.number}/prove?fan=#{spot}",
          "#{fault_here.part_choice.thing.part_no} is in #{job.unit.called(position)}."
      end

      # It is not fixed: back to Decide with what was learned.
      post "/jobs/:number/prove/retest" do
        take_or_refuse(Entries::Retest.new(fault: fault_here.key), "There is nothing to decide anew")
        back_to "/jobs/#{job.number}/decide?fan=#{spot}",
          "Not proved: what is still wrong with #{job.unit.called(position)}?"
      end

      # Half an hour of the simulated probe, put into the form and kept by whoever looks at it.
      post "/jobs/:number/prove/probe" do
        need :record
        down = Shared::Instrument.of("pulldown", params, user: current_user, job:, fan: position, phase: "after")
        set = Fenbo::Quantities.read(down.value("setpoint").to_s, "box_temperature", system: current_user.unit_system)
        read = probe(set.value || 0.0).csv(PROBE_MINUTES, Shared::Shop.local(Time.now))
        params["tool"] = "pulldown"
        page(instrument: meter_of(params.merge("readings" => read)))
      end

      # What the meter says once everything runs again, and the box on its way down.
      post "/jobs/:number/prove/readings" do
        need :record
        meter = meter_of(params)
        halt 422, page(instrument: meter) unless meter.ask
        reading = take(meter.entry(id: client_id, phase: "after"))
        back_to "/jobs/#{job.number}/prove?fan=#{spot}&tool=#{tool}",
          "#{meter.label} kept: #{verdict_words(reading.verdict)}."
      end

      # So long the simulated probe has logged.
      PROBE_MINUTES = 30

      private

      def probe(setpoint_c)
        condition = FenboSimulation::Probe::CONDITIONS.key?(params[:probe]) ? params[:probe] : "well"
        FenboSimulation::Probe.new(condition:, setpoint_c:, random: Random.new)
      end

      def page(instrument: meter_of({"turning" => "yes"}), faults: {}, typed: {})
        station :prove, proof:, instrument:, faults:, typed:
      end

      # The one that was sent with its faults, else an empty one.
      def instrument_in_hand(tool, sent)
        return sent if sent.tool == tool
        typed = (tool == "amps") ? {"turning" => "yes"} : {}
        Shared::Instrument.of(tool, typed, user: current_user, job:, fan: position, phase: "after")
      end

      def tool
        %w[pulldown driven].include?(params[:tool]) ? params[:tool] : "amps"
      end

      # The clamp after the work, its control driven, or the box on its way down.
      def meter_of(typed)
        Shared::Instrument.of(tool, typed, user: current_user, job:, fan: position, phase: "after")
      end
    end
  end
end
