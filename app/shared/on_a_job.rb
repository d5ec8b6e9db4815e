# frozen_string_literal: true

module Shared
  # What a route about one job asks for again and again: the job and the fan in hand, what
  # Fenbo believes, the plan, and handing in what was recorded.
  module OnAJob
    private

    # The job as one value; everything a page shows of it comes from here.
    # @return [Fenbo::JobFile::Job]
    def job
      @job ||= JobSource.numbered(whole(params[:number])).tap { |one|
        Current.van = (one.technician || current_user)&.uid
      }
    end

    # Its row, for what is written.
    def record
      @record ||= in_hand ? in_hand.record : Job.find_by!(number: whole(params[:number]))
    end

    # Where one press on a job follows another.
    # @return [JobInHand, nil]
    def in_hand = env["fenbo.in_hand"]

    # The job as far as its fans and faults go, which tell what a press is about.
    def addressed = @job || in_hand&.job || job

    # Hands an entry in; the job is read anew afterwards.
    # @raise [Logbook::Refused]
    def take(entry)
      Logbook.new(record, current_user, now: pressed_at).take(entry).tap {
        @job = @fault_here = @spots = nil
      }
    end

    # How long a phone without signal may keep what it was given.
    LONGEST_HELD = 21 * 86_400

    # When it was noted: now, or as long ago as the phone had to keep it.
    def pressed_at
      return env["fenbo.pressed_at"] if env["fenbo.pressed_at"]
      held = Float(params[:held_seconds], exception: false) || 0
      Time.now - held.clamp(0, LONGEST_HELD)
    end

    # The same, where a refusal is told on a page of its own.
    # @param title [String, Hash] of that page, or by the field that was refused
    def take_or_refuse(entry, title)
      take(entry)
    rescue Logbook::Refused => problem
      halt(*refuse(422, title.is_a?(Hash) ? title.fetch(problem.field, "That was not taken") : title, problem.message))
    end

    # What the page is about: a fan's fault in hand, ?fan=evaporator-2, one of its faults,
    # ?fan=evaporator-2.1, or one of the unit's, ?fan=unit.1; else the fan in hand.
    def fault_here = @fault_here ||= addressed.fault_at(known_place)

    # A page of a fan that is none shows the one in hand; nothing is noted of another than was
    # meant.
    def known_place
      named = params[:fan].to_s
      return named if looking? || named.empty? || addressed.place?(named)
      halt(*refuse(404, "There is no such fan",
        "#{addressed.unit.name} has no “#{named[0, 40]}”. Choose one of its fans."))
    end

    # The fan looked at.
    def position = @position ||= fault_here.fan

    # How a link names what the page is about.
    # @param fault [Fenbo::JobFile::Fault]
    def spot(fault = fault_here)
      (@spots ||= {})[fault.key] ||= addressed.short_key(fault)
    end

    # Where a test is asked, its question in sight.
    # @param test [String] its id
    def asked_at(test, station = @station)
      "/jobs/#{job.number}/#{station}?fan=#{spot}&test=#{test}#ask"
    end

    # How the unit stands now.
    def unit_stands = job.stands(Time.now, Shop.limits)

    # Who is at the unit now.
    # @return [Fenbo::JobFile::Visit, nil]
    def visit_here = job.presence(Shop.limits).at(Time.now)

    def standing = @standing ||= Standing.new(job, position)

    def plan
      @plan ||= Fenbo::WorkPlan::Progress.of(job, fault: fault_here.key, limits: Shop.limits)
    end

    def proof = Fenbo::Proof::Checklist.new(job)

    # What a job takes until it is closed or cancelled.
    UNTIL_CLOSED = %i[record decide move_refrigerant open_job quote assign].freeze

    def takes?(action) = !(UNTIL_CLOSED.include?(action) && @job&.closed?)

    # The other jobs of the same visit.
    def sisters = @sisters ||= Job.beside(job.uid, job.beside)

    # How long the product can wait, from now.
    def product_clock
      @product_clock ||= Fenbo::Product::JobClock.new(job, now: Time.now, limits: Shop.limits)
    end

    # Shows a station's page: the thing on the left, the standing on the right.
    # @param at [String] the station it belongs to, where it is none itself
    def station(name, at: name.to_s, **locals)
      @station = at
      middle = erb(name.to_sym, layout: false, locals:)
      frame = erb(:job_layout, layout: false) { middle }
      erb(:layout, layout: false) { frame }
    end
  end
end
