# frozen_string_literal: true

module Circuits
  # The refrigerant ledger of a job's unit, circuit by circuit: what was added and recovered, by
  # whom, and the leaks that were sought and found.
  class Route < Shared::Route
    include Words

    get "/jobs/:number/refrigerant" do
      page
    end

    get "/jobs/:number/refrigerant.csv" do
      content_type "text/csv"
      attachment "refrigerant-job-#{job.number}.csv"
      Export.of(job.unit.name, job.unit.circuits)
    end

    post "/jobs/:number/refrigerant/circuits" do
      need :move_refrigerant
      was = job.unit.circuits.find { |one| one.uid == params[:uid] }
      keep("circuit-#{params[:uid]}") { |form| form.circuit(was) }
      back_to here, "Circuit #{params[:name].to_s.strip} noted."
    end

    post "/jobs/:number/refrigerant/moves" do
      need :move_refrigerant
      entry, row = keep("move-#{circuit.uid}") { |form| form.move(client_id, circuit.uid) }
      back_to here, ["#{moved_words(row, row.cylinder.label)}.", gap_words(entry, row)].compact.join(" ")
    end

    post "/jobs/:number/refrigerant/leaks" do
      need :record
      entry, = keep("leak-#{circuit.uid}") { |form| form.search(client_id, circuit.uid) }
      back_to here,
        entry.found ? "Leak noted: it stays open until somebody saw that it holds." : "No leak found, noted."
    end

    post "/jobs/:number/refrigerant/leaks/:leak/checks" do
      need :record
      leak = uuid(params[:leak])
      entry, = keep("check-#{leak}") { |form| form.check(client_id, leak) }
      back_to here, entry.tight ? "It holds: the leak is closed." : "It does not hold: the leak stays open."
    end

    post "/jobs/:number/refrigerant/:what/:id/void" do
      need :record
      of = {"moves" => :refrigerant_moves, "leaks" => :leak_searches, "checks" => :leak_checks}[params[:what]]
      halt(*nothing_here) unless of
      take Entries::Void.new(of:, id: uuid(params[:id]), reason: text(:reason, 200))
      back_to here, "Taken back; it stays in the ledger, struck out."
    end

    private

    def here = "/jobs/#{job.number}/refrigerant"

    def circuit
      @circuit ||= job.unit.circuits.find { |one| one.uid == params[:circuit] } ||
        raise(ActiveRecord::RecordNotFound, "no such circuit")
    end

    # Reads a form to its entry and hands it in; what stands against it is told at its field.
    # @param name [String] which form of the page it is
    def keep(name)
      form = MoveForm.new(params, today: Shared::Shop.local(Time.now).to_date, system: current_user.unit_system)
      entry = yield(form)
      halt 422, page(name, form) unless entry
      [entry, take(entry)]
    rescue Logbook::Refused => problem
      form.fault(problem.field, problem.message)
      halt 422, page(name, form)
    end

    def page(name = nil, form = nil)
      ledgers = job.unit.circuits.map { |one| Ledger.new(job, one, limits: Shared::Shop.limits) }
      station(:refrigerant, at: "prove", ledgers:, sent: name, form:, cylinders: Cylinder.order(:label).to_a)
    end

    def gap_words(entry, row)
      gap = entry.gap(Logbook.new(record, current_user)) or return
      "Cylinder #{row.cylinder.label} weighed #{show(gap.abs,
        "mass")} #{gap.negative? ? "less" : "more"} than when it " \
        "was put back: ask where that went."
    end
  end
end
