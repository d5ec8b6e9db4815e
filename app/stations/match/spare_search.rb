# frozen_string_literal: true

module Stations
  module Match
    # Candidates for a part that is no motor: what is known of the old one, as typed or as the
    # unit's record says, against what is listed of its kind.
    class SpareSearch < Shared::Form
      Kind = Fenbo::Matching::SpareKind
      # A plain number where a column has no quantity.
      COUNTS = (0..100_000)

      # @param kind [Fenbo::Matching::SpareKind]
      # @param fault [Fenbo::JobFile::Fault]
      def initialize(job, fault, kind, params, system: "si")
        super(params, system:)
        @job = job
        @fault = fault
        @kind = kind
      end

      attr_reader :kind

      # What it is for: a heater or a gasket is the whole unit's, no fan's.
      def place
        wanted = Fenbo::Diagnosis::Cause.all.values_at(*@fault.decision&.causes).compact.find(&:part)
        return @job.unit.name if @fault.unit? || wanted&.unit?
        "#{@job.unit.called(@fault.fan)} of #{@job.unit.name}"
      end

      # What is noted of the old one, in SI.
      def old
        @old ||= kind.columns.to_h { |name, column| [name, value(name, column)] }.compact
      end

      # As the field shows it.
      def shown(name)
        return params[name] if params.key?(name)
        known[name]
      end

      def result
        old
        @result ||= Fenbo.call(:spare, question, limits: Shared::Shop.limits)
      end

      def candidates = result.refused? ? [] : result.candidates

      def rejected(most = 6)
        result.refused? ? [] : result.rejected.first(most)
      end

      def listed(part_no) = rows.find { |row| row.part_no == part_no }

      # Who has it, by name.
      def sources(part_no)
        offers(listed(part_no)).map { |offer| Suppliers::Desk.name_of(offer["id"]) }.uniq
      end

      def entry(part_no)
        one = candidates.find { |candidate| candidate.part_no == part_no } or return nil
        Entries::Spare.new(fault: @fault.key, part_no:, grade: one.grade, checks: one.checks.as_json, wanted: old,
          beside: {"extra_work" => one.extra_work.as_json, "transfers" => [], "parts" => []})
      end

      private

      def value(name, column)
        return known[name] unless params.key?(name)
        return choice(name, column["choices"]) if column["choices"]
        column["quantity"] ? quantity(name, column["quantity"]) : number(name, COUNTS)
      end

      # Noted when it was chosen, else what the unit's record says.
      def known
        @known ||= of_the_record.merge(wanted).slice(*kind.columns.keys).compact
      end

      def wanted
        choice = @fault.part_choice
        (choice&.spare&.kind == kind.id && choice.wanted) || {}
      end

      def of_the_record
        unit, motor = @job.unit, @fault.fan.motor
        {"hertz" => unit.supply_hertz, "amps" => unit.contactor_a, "poles" => unit.supply_phases,
         "uf" => motor&.capacitor_uf, "volts" => (unit.supply_volts unless kind.id == "run_capacitor")}
      end

      def question
        {"kind" => kind.id, "old" => old, "site" => {"wet" => @job.unit.wet, "flammable" => @job.unit.flammable},
         "parts" => rows.map { |row| asked(row) }}
      end

      def rows = @rows ||= Spare.where(kind: kind.id).order(:part_no).to_a

      def asked(row)
        all = offers(row)
        best = all.min_by { |offer| [hours(offer), landed(offer)] }
        row.columns_known.merge("part_no" => row.part_no, "price_cents" => row.price_cents, "obtainable" => !best.nil?,
          "available_hours" => best && hours(best), "landed_cents" => best && landed(best)).compact
      end

      def offers(row)
        @offers ||= Suppliers::Desk.offers_of(rows)
        @offers.fetch(row.part_no).reject { |offer| offer["in_stock"] == false }
      end

      def hours(offer) = PartSearch.hours(offer)

      def landed(offer) = PartSearch.landed(offer)
    end
  end
end
