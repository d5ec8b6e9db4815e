# frozen_string_literal: true

module Shared
  # One test as it is put to a technician: what must be safe first, whether an instrument
  # answers it, and what was answered before.
  class Question
    STATE_WORDS = {["D"] => " · made safe first", ["P"] => " · live reading", ["C"] => " · cover off"}.freeze
    # Tests with a page of their own: page, its button, and what may be done instead.
    PAGES = {
      "frost_pattern" => ["frost", "Paint it", "or pick what is nearest:"],
      "sound_recording" => ["sounds", "Record it", "or answer what it said:"]
    }.freeze
    # Follows from the neighbours' readings; nothing to type.
    BY_ITSELF = "amps_beside_neighbours"

    # @param job [Fenbo::JobFile::Job]
    # @param fan [Fenbo::JobFile::Fan]
    # @param test [Fenbo::Diagnosis::Test]
    def initialize(job, fan, test)
      @job = job
      @fan = fan
      @test = test
    end

    attr_reader :test

    def id = @test.id

    def state_words = STATE_WORDS.fetch(@test.states, "")

    def dead? = @test.states == ["D"]

    # It cannot be answered before the unit is proved dead.
    def wants_dead? = dead? && !@job.dead?(Time.now, Shop.limits)

    # What to mind beside the gate itself.
    def cautions
      list = dead? ? @test.cautions - ["shock"] : @test.cautions
      (@job.unit.flammable && @test.states == ["P"] && list.any?) ? list + ["flammable"] : list
    end

    # The instrument whose figures answer it, where this fan has one.
    def instrument
      id = Words::BY_INSTRUMENT[@test.id]
      id if id && @test.id != BY_ITSELF && Instrument.for_fan(@fan, @job.unit).include?(id)
    end

    def instrument_page
      "/jobs/#{@job.number}/measure?fan=#{@fan.key}&tool=#{instrument}#clamp-title"
    end

    # Answered by pointing at what is there: no instrument, no page of its own, nothing to make safe first.
    def by_eye? = instrument.nil? && elsewhere.empty? && !wants_dead?

    def elsewhere = [PAGES[@test.id]].compact

    # The last answer given to it.
    def answered
      @answered ||= @job.live_findings.reverse.find do |finding|
        finding.test == @test.id && (@test.unit? || finding.fan == @fan.key)
      end
    end
  end
end
