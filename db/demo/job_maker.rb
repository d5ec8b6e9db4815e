# frozen_string_literal: true

module Demo
  # Makes one demo job as if its people had worked on it: through the same
  # services and with the core's own verdicts, only dated back.
  class JobMaker
    # A yearly look: amps of every fan, drifting slowly; a closed job.
    def self.yearly_look(unit, technician, on, half)
      at = Time.local(on.year, on.month, on.day, 9, 30)
      job =
        Job.create!(
          unit:,
          technician:,
          complaint: "Half-yearly look at every fan.",
          status: "closed",
          station: "hand_over",
          opened_at: at,
          closed_at: at + 3600,
          closed_by: technician,
          fan_position: unit.fan_positions.first
        )
      visit =
        Visit.create!(
          job:,
          technician:,
          starts_at: at,
          ends_at: at + 3600,
          purpose: "half-yearly look",
          arrival_c: unit.setpoint_c,
          leaving_c: unit.setpoint_c
        )
      unit.fan_positions.each { |position| drift(job, visit, position, technician, at, half) }
      Senses.paint(job, visit, technician, at + 1500, half)
      Senses.listen(job, visit, technician, at + 2100, half)
      done(job, %w[call look measure hand_over], technician, at + 3000)
    end

    # Stations ticked off.
    def self.done(job, stations, by, at)
      stations.each { |station| StationStep.create!(job:, station:, state: "done", done_by: by, done_at: at) }
    end

    # A fan's amps over the years: a share of the plate that creeps up, faster
    # where the unit and number say so; a little scatter that is always the same.
    def self.drift(job, visit, position, technician, at, half)
      motor = position.motor_now or return
      creep = [0.0, 0.004, 0.012, 0.028][(position.unit_id * 3 + position.number * 2) % 4]
      scatter = ((position.id * 7 + half * 11) % 9 - 4) * 0.004
      amps = (motor.amps_at(position.unit.supply_volts) * (0.93 + scatter + creep * (6 - half)) * 3).round(2)
      legs = (motor.family == "three_phase") ? [amps, (amps * 1.01).round(2), (amps * 0.99).round(2)] : [amps]
      taken_at = at + position.number * 240
      watts = (motor.watts * (0.8 + scatter)).round if motor.family == "ec"
      told_by keep(job, visit, position, technician, legs, 3, true, taken_at, watts:)
    end

    # What a clamp reading says of its fan.
    def self.told_by(reading)
      return unless Fenbo::Diagnosis::Test["amps"].outcomes.include?(reading.verdict)
      Finding.create!(
        client_id: SecureRandom.uuid,
        test: "amps",
        outcome: reading.verdict,
        reading:,
        **reading.slice(:job, :visit, :fan_position, :user, :taken_at).symbolize_keys
      )
    end

    def self.keep(job, visit, position, technician, legs, turns, turning, at, phase: "before", watts: nil)
      motor = position.motor_now
      site = position.unit.supply_volts
      question = {
        "motor" => {
          "family" => motor.family,
          "nameplate_amps" => motor.amps_at(site),
          "nameplate_volts" => motor.volts_at(site),
          "nameplate_watts" => motor.watts,
          "service_factor" => motor.service_factor,
          "turning" => turning
        },
        "reading" => {
          "amps" => legs,
          "volts" => [(site * (0.99 + (position.id % 3) * 0.006)).round],
          "watts" => watts,
          "turns" => turns,
          "meter" => technician.meter_for_core
        }.compact
      }
      result = Fenbo.call(:amps, question)
      raise ArgumentError, result.to_h.inspect if result.refused?
      Reading.create!(
        client_id: SecureRandom.uuid,
        job:,
        visit:,
        fan_position: position,
        user: technician,
        kind: "amps",
        phase:,
        typed: {},
        question:,
        result: result.as_json,
        verdict: result.verdict,
        meter: technician.meter_for_core,
        taken_at: at
      )
    end

    def initialize(row, now:)
      @row = row
      @now = now
    end

    def make
      @unit = Unit.find_by!(name: @row["unit"])
      @who = @row["who"] && User.find_by!(login: @row["who"])
      Current.van = @who&.uid
      @job = open_job
      visits
      found
      amps
      CircuitMaker.new(@job, visit, last_moment).make(@row["circuits"]) if @row["circuits"]
      decide(*@row["decide"]) if @row["decide"]
      (@row["also"] || []).each { |cause, action| decide(cause, action, besides: true) }
      fit if @row["fit"]
      match if @row["match"]
      spare if @row["spare"]
      agree if @row["agreed"]
      work if @row["plan"]
      found(@row["later"]) if @row["later"]
      prove if @row["proved"]
      hand_over if @row["hand_over"]
      stations
    end

    private

    def opened = @now - @row["ago_h"] * 3600

    def position(key) = @unit.fan_positions.find { |one| one.key == key }

    def hand = position(@row["fan"])

    def open_job
      earlier = @row["earlier"] || []
      Job.create!(
        unit: @unit,
        fan_position: hand,
        technician: @who,
        complaint: @row["complaint"],
        opened_at: opened,
        box_c: @row["box"],
        box_read_at: @row["box"] && [opened, @now - 4 * 3600].max,
        earlier_c: earlier[0],
        earlier_hours_ago: earlier[1],
        drift_end_c: @row.fetch("drift", @unit.drift_end_c),
        product_limit_c: @unit.product_limit_c,
        product_value_cents: @unit.product_value_cents,
        complaint_kinds: @row.fetch("about", []),
        return_of: @row["returns"] && @unit.jobs.where(status: "closed").order(opened_at: :desc).find(&:decision),
        station: @row["station"]
      )
    end

    def visits
      (@row["visits"] || []).each do |login, starts, lasted|
        at = moment(starts)
        Visit.create!(
          job: @job,
          technician: User.find_by!(login:),
          starts_at: at,
          ends_at: lasted && at + lasted * 3600,
          purpose: (at > @now) ? "come back" : "on site",
          arrival_c: (@row["box"] if at <= @now),
          leaving_c: @row["box"] && @row["proved"] && @unit.setpoint_c
        )
      end
    end

    # Hours from now, or a day from today and a time: "2@09:00".
    def moment(text)
      return @now + text * 3600 if text.is_a?(Numeric)
      days, clock = text.split("@")
      hour, minute = clock.split(":").map(&:to_i)
      date = @now.to_date + days.to_i
      Time.local(date.year, date.month, date.day, hour, minute)
    end

    # The visit that what is known comes from; nil where nobody was there yet and the caller told it.
    def visit = @visit ||= @job.visits.where(starts_at: ..@now).first

    # Findings in their order, some minutes apart.
    def found(list = @row["found"] || [])
      list.each_with_index do |line, index|
        key, test, outcome, minutes = line.split
        at = minutes ? @now - minutes.to_i * 60 : (visit&.starts_at || opened) + 300 + index * 150
        Finding.create!(
          client_id: SecureRandom.uuid,
          job: @job,
          visit:,
          fan_position: ((key == "unit" || Fenbo::Diagnosis::Test[test].unit?) ? nil : position(key)),
          user: @who,
          test:,
          outcome:,
          taken_at: at
        )
      end
    end

    def amps
      (@row["amps"] || []).each_with_index do |(key, display, turns, turning), index|
        at = (visit.ends_at ? visit.starts_at + 1800 : @now - 1400) + index * 180
        legs =
          if position(key).motor_now.family == "three_phase"
            [display, (display * 0.99).round(2), (display * 1.015).round(2)]
          else
            [display]
          end
        self.class.told_by self.class.keep(@job, visit, position(key), @who, legs, turns, turning, at)
      end
    end

    # The job as it stands so far.
    def file = JobSource.numbered(@job.number)

    def plan = Fenbo::WorkPlan::Progress.of(file)

    def clock = Fenbo::Product::JobClock.new(file, now: @now)

    def last_moment = visit&.ends_at ? visit.ends_at - 600 : @now - 300

    # @param besides [Boolean] a fault beside the one that was decided first
    def decide(cause, action, besides: false)
      standing = Shared::Standing.new(file, file.unit.fan(@row["fan"]))
      chance = standing.result.causes.find { |row| row.id == cause }&.probability
      Decision.create!(
        client_id: SecureRandom.uuid,
        job: @job,
        visit:,
        fan_position: hand,
        fault: besides ? file.fault_to_decide("#{hand.key}.1", [cause], besides:) : "#{hand.key}.1",
        user: @who,
        causes: [cause],
        proposed: standing.verdict,
        probability: chance,
        action:,
        override_reason: ((besides || cause == standing.verdict) ? nil : "Seen often on this unit."),
        standing: standing.result.as_json.slice("verdict", "causes", "decisive", "companions"),
        taken_at: last_moment,
        **countersign
      )
    end

    def countersign
      return {} unless @who.apprentice?
      {countersigned_by: User.find_by!(login: "ilka"), countersigned_at: @now - 80_000}
    end

    # Measured once for the place; judged with the old motor's own shaft.
    def fit
      question = @row["fit"].merge("L" => hand.motor_now.shaft_length_mm)
      result = Fenbo.call(:fit, question)
      raise ArgumentError, result.to_h.inspect if result.refused?
      @fit =
        Reading.create!(
          client_id: SecureRandom.uuid,
          job: @job,
          visit:,
          fan_position: hand,
          user: @who,
          kind: "fit",
          phase: "before",
          typed: {},
          question:,
          result: result.as_json,
          verdict: result.verdict,
          taken_at: last_moment - 600
        )
    end

    def match
      search = Stations::Match::PartSearch.new(file, file.unit.fan(@row["fan"]))
      best = pick(search) or raise ArgumentError, "nothing fits #{@unit.name}"
      choice =
        PartChoice.create!(
          job: @job,
          fan_position: hand,
          fault: "#{hand.key}.1",
          motor: search.motor(best[:part_no]),
          user: @who,
          grade: best[:grade],
          checks: best[:checks].as_json,
          beside: {"extra_work" => best[:extra_work].as_json, "transfers" => best[:transfers],
                   "parts" => best[:extra_parts] + best[:also]},
          **seat(search.motor(best[:part_no]))
        )
      source(choice)
    end

    def seat(motor)
      return {} unless @fit
      found = Fenbo.call(:fit, @fit.question.merge("L" => motor.shaft_length_mm))
      {fit_reading: @fit, seat_mm: found[:seat], spacers: found[:spacers]}
    end

    # What the row names, else what its offer's supplier has, else the best.
    def pick(search)
      wanted = @row["part"]
      return search.candidates.find { |one| one[:part_no] == wanted } if wanted
      search.candidates.find do |one|
        Suppliers::Desk.offers(search.motor(one[:part_no])).any? { |offer| offer["id"] == @row["offer"] }
      end || search.candidates.first
    end

    def source(choice)
      sources = Stations::Source::PartSources.new(file, file.fault_at(nil), plan:, clock:, now: @now)
      option =
        sources.options.find { |one| one[:offer] == @row["offer"] } ||
        sources.options.find { |one| one[:second_trip] } || sources.options.first
      kept = option.as_json.merge({"source" => Suppliers::Desk.name_of(option.offer),
                                   "order" => sources.order(option)}.compact)
      ready_at = @row["ready"] ? moment(@row["ready"]) : @now - 3600
      choice.update!(offer: kept, ready_at:)
      ordered(PartOrder.follow(choice, kept, user: @who, ready_at:))
    end

    # Taken by its supplier; here where its hour has come, later than promised where the row says so.
    def ordered(order)
      return unless order
      order.update!(state: (order.ready_at > @now) ? "placed" : "here", placed_at: @now - 3600,
        promised_at: order.ready_at - @row.fetch("slipped_h", 0) * 3600)
    end

    # A part that is no motor, by its number, with the offer taken.
    def spare
      part = Spare.find_by!(part_no: @row["spare"])
      kind = Fenbo::Matching::SpareKind[part.kind]
      search = Stations::Match::SpareSearch.new(file, file.fault_at(@row["fan"]), kind, @row.fetch("old", {}))
      search.old
      one = search.candidates.find { |candidate| candidate.part_no == part.part_no }
      raise ArgumentError, "#{part.part_no} does not fit #{@unit.name}" unless one
      source(PartChoice.create!(job: @job, fan_position: hand, fault: "#{hand.key}.1", spare: part, user: @who,
        grade: one.grade, checks: one.checks.as_json, wanted: search.old,
        beside: {"extra_work" => one.extra_work.as_json}))
    end

    # The customer's yes, told to whoever called.
    def agree
      builder = Stations::Source::QuoteBuilder.new(file, words: Shared::Voice.new(@who), clock:)
      quote =
        Quote.create!(job: @job, user: @who, version: 1, options: builder.options, created_at: @now - 9000,
          tax_percent: Setting.read("tax_percent"), limit_cents: @unit.customer.approval_limit_cents)
      QuoteAnswer.give(quote, verdict: "approved", option: "good", name: @row["agreed"], how: "told", at: @now - 8800,
        user: @who)
    end

    # The plan ticked off, counts and depth included: all of it, or as far as the step named.
    def work
      steps = plan.steps
      steps = steps.take_while { |step| step.id != @row["plan"] } if @row["plan"].is_a?(String)
      steps.each_with_index do |step, index|
        WorkStep.create!(
          job: @job,
          fan_position: hand,
          fault: plan.fault.key,
          task: plan.task,
          step: step.id,
          user: @who,
          done_at: @now - 7200 + index * 120,
          fasteners: step.fasteners && 4,
          measured: (17.0 if step.measure && step.measure["kind"] == "length")
        )
      end
      return if @row["plan"].is_a?(String)
      book = Logbook.new(Job.find(@job.id), @who, now: @now - 3600)
      Entries::Fitted.new(fault: hand.key).append(book) if book.choice(hand.key)
      hand.reload
    end

    def prove
      Fenbo::Proof::Checklist.new(file).checks.each_key do |id|
        ProofCheck.create!(job: @job, check_id: id, user: @who, done_at: last_moment)
      end
      plate = hand.motor_now
      healthy = (plate.amps_at(@unit.supply_volts) * 0.93 * 3).round(2)
      self.class.keep(
        @job,
        visit,
        hand,
        User.find_by!(login: "ilka"),
        [healthy],
        3,
        true,
        last_moment,
        phase: "after",
        watts: (plate.watts * 0.85 if plate.family == "ec")
      )
    end

    def hand_over
      strokes = [
        [[0.1, 0.6], [0.18, 0.25], [0.26, 0.7], [0.34, 0.4], [0.45, 0.62], [0.6, 0.45]],
        [[0.62, 0.66], [0.9, 0.5]]
      ]
      Handover.create!(
        job: @job,
        user: @who,
        summary: @row["hand_over"],
        signed_name: @unit.site.customer.contact,
        signature: strokes,
        signed_at: last_moment
      )
      case @row["closed"]
      when "countersign"
        @job.update!(status: "awaiting_countersign", closed_by: @who)
      when true
        @job.update!(status: "closed", closed_by: @who, closed_at: last_moment)
      end
    end

    def stations
      done = Job::STATIONS.first(Job::STATIONS.index(@row["station"]) + (@row["hand_over"] ? 1 : 0))
      self.class.done(@job, done, @who, last_moment)
    end
  end
end
