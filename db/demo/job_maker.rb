# frozen_string_literal: true

require "forwardable"
require_relative "amps_reading"
require_relative "circuit_maker"
require_relative "close_maker"
require_relative "part_maker"
require_relative "scene"

module Demo
  # Makes one demo job as if its people had worked on it: through the same
  # services and with the core's own verdicts, only dated back.
  class JobMaker
    extend Forwardable

    def_delegators :@scene, :job, :unit, :who, :position, :hand, :file, :plan, :clock, :visit, :work_visit, :moment,
      :at, :last_moment

    # A step of the plan every so many seconds.
    PACE = 60

    def initialize(row, now:)
      @row = row
      @now = now
    end

    def make
      @scene = open_scene
      visits
      found
      amps
      CircuitMaker.new(job, visit, last_moment).make(@row["circuits"]) if @row["circuits"]
      decide(*@row["decide"]) if @row["decide"]
      (@row["also"] || []).each { |cause, action| decide(cause, action, besides: true) }
      PartMaker.new(@scene).make
      agree if @row["agreed"]
      work if @row["plan"]
      found(@row["later"]) if @row["later"]
      CloseMaker.new(@scene).make
    end

    private

    def opened = @now - @row["ago_h"] * 3600

    def open_scene
      unit = Unit.find_by!(name: @row["unit"])
      who = @row["who"] && User.find_by!(login: @row["who"])
      Current.van = who&.uid
      Scene.new(@row, open_job(unit, who), now: @now)
    end

    def open_job(unit, technician)
      earlier = @row["earlier"] || []
      Job.create!(
        unit:,
        fan_position: unit.position(@row["fan"]),
        technician:,
        complaint: @row["complaint"],
        opened_at: opened,
        box_c: @row["box"],
        box_read_at: @row["box"] && [opened, @now - 4 * 3600].max,
        earlier_c: earlier[0],
        earlier_hours_ago: earlier[1],
        drift_end_c: @row.fetch("drift", unit.drift_end_c),
        product_limit_c: unit.product_limit_c,
        product_value_cents: unit.product_value_cents,
        complaint_kinds: @row.fetch("about", []),
        return_of: @row["returns"] && unit.jobs.where(status: "closed").order(opened_at: :desc).find(&:decision),
        station: @row["station"]
      )
    end

    def visits
      (@row["visits"] || []).each do |login, starts, lasted|
        at = moment(starts)
        Visit.create!(
          job:,
          technician: User.find_by!(login:),
          starts_at: at,
          ends_at: lasted && at + lasted * 3600,
          purpose: (at > @now) ? "come back" : "on site",
          arrival_c: (@row["box"] if at <= @now),
          leaving_c: @row["box"] && @row["proved"] && unit.setpoint_c
        )
      end
    end

    # Findings in their order, some minutes apart.
    def found(list = @row["found"] || [])
      list.each_with_index do |line, index|
        key, test, outcome, minutes = line.split
        at = minutes ? @now - minutes.to_i * 60 : (visit&.starts_at || opened) + 300 + index * 150
        Finding.create!(
          client_id: SecureRandom.uuid,
          job:,
          visit:,
          fan_position: ((key == "unit" || Fenbo::Diagnosis::Test[test].unit?) ? nil : position(key)),
          user: who,
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
        AmpsReading.new(job, visit, position(key), who).take(legs, at:, turns:, turning:)
      end
    end

    # @param besides [Boolean] a fault beside the one that was decided first
    def decide(cause, action, besides: false)
      standing = Shared::Standing.new(file, file.unit.fan(@row["fan"]))
      chance = standing.result.causes.find { |row| row.id == cause }&.probability
      Decision.create!(
        client_id: SecureRandom.uuid,
        job:,
        visit:,
        fan_position: hand,
        fault: besides ? file.fault_to_decide("#{hand.key}.1", [cause], besides:) : "#{hand.key}.1",
        user: who,
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
      return {} unless who.apprentice?
      {countersigned_by: User.find_by!(login: "ilka"), countersigned_at: @now - 80_000}
    end

    # The customer's yes, told to whoever called.
    def agree
      builder = Stations::Source::QuoteBuilder.new(file, words: Shared::Voice.new(who), clock:)
      quote =
        Quote.create!(job:, user: who, version: 1, options: builder.options, created_at: @now - 9000,
          tax_percent: Setting.read("tax_percent"), limit_cents: unit.customer.approval_limit_cents)
      QuoteAnswer.give(quote, verdict: "approved", option: "good", name: @row["agreed"], how: "told", at: @now - 8800,
        user: who)
    end

    # Soon after the technician came, or, on a job of long ago, before the visit's end.
    def started
      @row["closed"] ? last_moment - 2700 : work_visit.starts_at + 300
    end

    def fitted = @row["closed"] ? last_moment - 60 : work_visit.ends_at - 1200

    # The plan ticked off, counts and depth included: all of it, or as far as the step named.
    def work
      steps = plan.steps
      steps = steps.take_while { |step| step.id != @row["plan"] } if @row["plan"].is_a?(String)
      steps.each_with_index do |step, index|
        WorkStep.create!(
          job:,
          fan_position: hand,
          fault: plan.fault.key,
          task: plan.task,
          step: step.id,
          user: who,
          done_at: started + index * PACE,
          fasteners: step.fasteners && 4,
          measured: (17.0 if step.measure && step.measure["kind"] == "length")
        )
      end
      return if @row["plan"].is_a?(String)
      book = Logbook.new(Job.find(job.id), who, now: fitted)
      Entries::Fitted.new(fault: hand.key).append(book) if book.choice(hand.key)
      hand.reload
    end
  end
end
