# frozen_string_literal: true

module Circuits
  # The ledger's own sentences.
  module Words
    CHARGES = {"fair" => "judged fairly", "not_yet" => "not to be judged yet", "short" => "short"}.freeze

    def circuit_words(circuit)
      [circuit.refrigerant, "#{show(circuit.full_charge_kg, "mass")} full charge"].compact.join(", ")
    end

    # "24.3 % a year, over the warning of 20 %"
    def rate_words(ledger)
      last = ledger.result.last_addition or return "nothing was added yet"
      word = (ledger.result.verdict == "over") ? "over the warning of" : "under the warning of"
      "#{Fenbo::Quantities.tidy(last.annual_rate_percent.round(1))} % a year, #{word} " \
        "#{Fenbo::Quantities.tidy(ledger.warn)} %"
    end

    def ledger_headline(ledgers, open_leaks)
      return "Note the circuit and its full charge first." if ledgers.empty?
      return "#{count(open_leaks.size, "leak")} still open: see whether it holds." if open_leaks.any?
      over = ledgers.select { |one| one.result.verdict == "over" }
      over.any? ? "#{over.map { |one| one.circuit.name }.join(", ")} loses too much." : "Nothing is open."
    end

    def ledger_bars(ledger)
      Shared::Drawing::LedgerBars.new(result: ledger.result, asked: ledger.asked, warn: ledger.warn, system: units).svg
    end

    # Cylinders of this refrigerant with what they weighed last.
    def cylinder_hint(cylinders, circuit)
      fitting = cylinders.select { |one| one.refrigerant.nil? || one.refrigerant == circuit.refrigerant }.first(4)
      return "Its label or number" if fitting.empty?
      "Known: #{fitting.map { |one|
        [one.label, one.weight_kg && show(one.weight_kg, "mass")].compact.join(" ")
      }.join(", ")}"
    end

    def today = Shared::Shop.local(Time.now).to_date.iso8601
  end
end
