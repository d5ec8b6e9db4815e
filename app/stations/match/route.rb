# frozen_string_literal: true

module Stations
  module Match
    # Station 5: which motor or other part fits, and up to four motors side by side.
    class Route < Shared::Route
      include Words

      MOST_BESIDE = 4
      SHOWN = 8
      NOT_AMONG = "It is not among those for this fan. Go back and choose one that is."

      get "/jobs/:number/match" do
        kind ? spare_page : page
      end

      # For a phone that goes where the catalogue is not: the best few, with what each is called,
      # costs, who has it, and what choosing it keeps.
      get "/jobs/:number/match/best.json" do
        content_type :json
        question = search.best_alone
        JSON.generate(question && {fan: position.key, question:, shown: shown(question["motors"].size)})
      end

      # A part that is no motor: one of those that pass.
      post "/jobs/:number/match/spare" do
        need :decide
        halt(*refuse(422, "That is no part Fenbo knows", NOT_AMONG)) unless kind
        halt 422, spare_page unless spares.old && spares.clean?
        entry = spares.entry(params[:part_no])
        halt(*refuse(422, "That part does not fit", NOT_AMONG)) unless entry
        off = Shared::TakenBack.around(record) { take entry }
        back_to "/jobs/#{job.number}/source?fan=#{spot}", "#{entry.part_no} chosen. #{off}".strip
      end

      post "/jobs/:number/match" do
        need :decide
        candidate = search.candidates.find { |part| part.part_no == params[:part] }
        halt(*refuse(422, "That motor does not fit", NOT_AMONG)) unless candidate
        off = Shared::TakenBack.around(record) { take part(candidate) }
        back_to "/jobs/#{job.number}/source?fan=#{spot}", "#{candidate.part_no} chosen#{seat_words}. #{off}".strip
      end

      # The blade chosen with the motor: a part number, or the old one kept.
      post "/jobs/:number/match/blade" do
        need :decide
        asked = params[:blade].to_s.presence
        halt(*refuse(422, "That blade does not suit", "#{NOT_AMONG} Or keep the old one.")) unless blade_suits?(asked)
        take_or_refuse(Entries::Blade.new(fault: fault_here.key, part_no: asked), "No motor is chosen yet")
        back_to "/jobs/#{job.number}/match?fan=#{spot}",
          asked ? "Blade #{asked} goes with it." : "The old blade stays."
      end

      get "/jobs/:number/beside" do
        numbers = Array(params[:parts]).map(&:to_s).uniq.first(MOST_BESIDE)
        compared = PartSearch.new(job, position, also: numbers, fault: fault_here)
        station :beside, at: "match", compare: Comparison.new(compared, numbers)
      end

      private

      # The kind of part in hand, nil for the motor: as asked, else as chosen, else as decided.
      def kind
        return @kind if defined?(@kind)
        kinds = Fenbo::Matching::SpareKind.all
        @kind = params[:kind] ? kinds[params[:kind]] : kinds[fault_here.part_choice&.spare&.kind] || decided_kind
      end

      def decided_kind
        return nil if fault_here.part_choice&.motor
        Fenbo::Matching::SpareKind.for_part(fault_here.part)
      end

      def spares
        @spares ||= SpareSearch.new(job, fault_here, kind, params, system: current_user.unit_system)
      end

      def spare_page
        spares.result if spares.old
        station(:spare, at: "match", spares:)
      end

      # What can be sourced for this unit: a motor, and the parts its plans serve.
      def kinds_here
        Fenbo::Matching::SpareKind.of_unit(job.unit.family,
          Fenbo::WorkPlan::Task.possible(job.unit.family, position.side))
      end

      def shown(most)
        search.candidates.first(most).to_h { |one|
          motor = search.motor(one.part_no)
          [one.part_no, {words: candidate_words(motor, listed: one.listed), price: money(motor.price_cents),
                         sources: search.sources(one.part_no), beside: beside(one),
                         part: motor.as_json}]
        }
      end

      # A part asked for by number is judged whatever the net holds.
      def search
        @search ||=
          PartSearch.new(job, position, also: [params[:part].to_s, *found.map(&:part_no)].reject(&:empty?),
            fault: fault_here)
      end

      def asked = params[:q].to_s.strip[0, 60]

      def found
        @found ||= asked.empty? ? [] : Motor.like(asked).nearest(asked).limit(6).to_a
      end

      def page
        station(:match, search:, shown: params[:part], found:, asked:, blades: BladeSearch.new(search))
      end

      # Without a motor the entry says what is missing.
      def blade_suits?(asked)
        asked.nil? || fault_here.part_choice.nil? || BladeSearch.new(search).candidates.any? { |blade|
          blade.part_no == asked
        }
      end

      def part(candidate)
        Entries::Part.new(fault: fault_here.key, part_no: candidate.part_no, grade: candidate.grade,
          checks: candidate.checks.as_json, beside: beside(candidate), **seat)
      end

      # What comes with it: steps of the work plan, what moves across, what is bought besides.
      def beside(candidate)
        {"extra_work" => candidate.extra_work.as_json, "transfers" => candidate.transfers,
         "parts" => bought_beside(candidate), "upgrade" => Upgrade.of(search, candidate)}.compact
      end

      # A seat counts only with the measurements it rests on, and only where it holds.
      def seat
        @seat ||= begin
          typed = {"seat" => params[:seat_mm].to_s, "spacers_set" => params[:spacers].to_s}
          form = ClearanceForm.new(position, search.motor(params[:part].to_s), typed, MILLIMETRES)
          holds = !params[:seat_mm].to_s.empty? && form.latest && form.ask && form.layout.holds?
          holds ? {seat_mm: form.layout.seat, spacers: form.layout.spacers, fit_reading: form.latest.id} : {}
        end
      end

      # The seat comes from the drawing, which knows nothing of the reader's units.
      MILLIMETRES = Struct.new(:unit_system).new("si").freeze

      def seat_words
        " with the hub at #{show(seat[:seat_mm].round(1), "length")}" if seat[:seat_mm]
      end
    end
  end
end
