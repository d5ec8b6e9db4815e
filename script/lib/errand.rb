# frozen_string_literal: true

# One simulated job brought to a decision: tests are chosen by a strategy, answered
# by the observer, weighed by the real engine, and their minutes counted.
class Errand
  MOST_TESTS = 30
  # A glance at the other fans comes before everything, for every strategy.
  GLANCE_MINUTES = 1

  Outcome = Struct.new(:result, :minutes, :tests, :faults, keyword_init: true) do
    def first = result[:causes].first&.fetch(:id)

    def two = result[:causes].first(2).map { |row| row[:id] }

    # What would be acted on: the likeliest set of causes.
    def set = result[:sets].first[:causes]
  end

  def initialize(observer, limits: Fenbo::Limits.default)
    @rig = observer.rig
    @observer = observer
    @limits = limits
  end

  # @param strategy [#next_test] given the result and what may be done, a test or nil
  def run(strategy)
    @state, @minutes, @done = "L", 0, []
    @complaint = @observer.complaint
    @findings = glance
    result = weigh
    until result[:decisive] || @done.size >= MOST_TESTS
      test = strategy.next_test(result, self) or break
      take(test)
      result = weigh
    end
    Outcome.new(result:, minutes: @minutes, tests: @done.dup, faults: @rig.faults)
  end

  # Whether a test may be done now.
  def may?(test) = !@done.include?(test.id) && offer.why_not(test).nil?

  def minutes_of(test) = offer.minutes(test)

  attr_reader :observer, :rig, :done

  private

  def glance
    @minutes += GLANCE_MINUTES if @rig.neighbours.positive?
    Array.new(@rig.neighbours) { |index| {"test" => "fan_motion", "outcome" => @observer.neighbour_motion(index), "position" => "#{@rig.side}-#{index + 2}"} }
  end

  def take(test)
    @minutes += offer.minutes(test)
    @state = offer.state(test)
    @done << test.id
    @findings << {"test" => test.id, "outcome" => @observer.see(test.id), "position" => own}
    @offer = nil
  end

  def own = "#{@rig.side}-1"

  def question
    fans = Array.new(@rig.neighbours + 1) { |index| {"position" => "#{@rig.side}-#{index + 1}", "motor" => {"family" => @rig.motor}} }
    {"unit" => {"family" => @rig.family, "fans" => fans}, "position" => own, "context" => {"side" => @rig.side, "age_years" => @rig.age, "recent_work" => @rig.recent_work, "complaint" => @complaint},
     "findings" => @findings, "state" => @state}
  end

  def weigh = Fenbo::Tools.call("diagnose", question, limits: @limits)

  def offer = @offer ||= Fenbo::Diagnosis::Offer.new(Fenbo::Diagnosis::CaseFile.read(Fenbo::Input.new(question)), @rig.equipment)
end
