# frozen_string_literal: true

module Clocks
  # The product's clock of a job: what the box read, how it drifts, and when it is too warm.
  class Route < Shared::Route
    get "/jobs/:number/clock" do
      page
    end

    post "/jobs/:number/clock" do
      need :record
      form = Form.new(params, limits: Shared::Shop.limits, system: current_user.unit_system)
      entry = form.entry(id: client_id) or halt 422, page(faults: form.faults, typed: params)
      take(entry)
      back_to "/jobs/#{job.number}/clock", "The box read #{show(job.box_c, "temperature")}."
    rescue Logbook::Refused => problem
      raise if problem.field == :closed
      halt 422, page(faults: {problem.field.to_s => problem.message}, typed: params)
    end

    # Whoever is here goes for now; closing the job ends a visit by itself.
    post "/jobs/:number/clock/leave" do
      need :record
      typed = Shared::Form.new(params, system: current_user.unit_system)
      leaving = typed.quantity(:leaving, "box_temperature")
      halt 422, page(faults: typed.faults, typed: params) unless typed.clean?
      take(Entries::Left.new(leaving:))
      back_to "/", "#{job.unit.name}: left at #{clock(Time.now)}."
    rescue Logbook::Refused => problem
      raise if problem.field == :closed
      halt 422, page(faults: {problem.field.to_s => problem.message}, typed: params)
    end

    # What holds the product meanwhile is set up, or undone.
    post "/jobs/:number/clock/hold" do
      need :record
      asked = params[:stopgap].to_s
      take(Entries::Held.new(stopgap: asked.empty? ? nil : asked))
      back_to "/jobs/#{job.number}/clock#held", held_words(asked)
    rescue Logbook::Refused => problem
      raise if problem.field == :closed
      halt 422, page(faults: {problem.field.to_s => problem.message}, typed: params)
    end

    # What the simulated probe reads goes into the field, to be kept by whoever looks at it.
    post "/jobs/:number/clock/probe" do
      need :record
      now = product_clock.now_c || job.unit.setpoint_c || 0.0
      read = FenboSimulation::Probe.beside(now, random: Random.new)
      page(typed: {"now" => typed(read, "temperature")})
    end

    private

    def page(faults: {}, typed: {})
      station :clock_page, at: job.station, faults:, typed:
    end

    # What the reasons reckon from.
    def from_words
      turned = job.drift_from
      return "From the reading" if turned.nil? || turned.at < job.box_read_at
      "From #{clock(turned.at)}, when #{turned.stopgap ? "it was set up" : "it was undone"}, " \
        "#{show(turned.c, "temperature")} then"
    end

    # What can be set up here now.
    # @return [Array<Fenbo::Product::Stopgaps::Stopgap>]
    def stopgaps
      Fenbo::Product::Stopgaps.new(job, job.fan_in_hand, clock: product_clock, limits: Shared::Shop.limits).all
    end

    def held_words(id)
      row = Fenbo::Product::Stopgaps.table[id] or return "Undone: the clock runs as it did before."
      "#{row["label"]}: the clock goes by it from now on."
    end

    # "11:20, −15.8 °C", newest first.
    def read_so_far = job.box_points.reverse
  end
end
