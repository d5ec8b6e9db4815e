# frozen_string_literal: true

# One simulated job brought to a decision: tests are chosen by a strategy, answered
# by the observer, weighed by the real engine, and their minutes counted.
class Errand
  MOST_TESTS = 30
  # A glance at the other fans comes before everything, for every strategy.
  GLANCE_MINUTES = 1

  Outcome =
    Struct.new(:diagnosis, :minutes, :tests, :faults, keyword_init: true) do
      def healthy? = diagnosis.verdict == Fenbo::Diagnosis::HEALTHY

      def causes = diagnosis.posterior.causes.keys.map(&:id)

      # What would be named first, and the chance that was given for it.
      def first = healthy? ? Fenbo::Diagnosis::HEALTHY : causes.first

      def two = ([first] + causes).uniq.first(2)

      def chance
        healthy? ? diagnosis.posterior.healthy : diagnosis.posterior.causes.values.first
      end

      # What would be bought: the parts of the likeliest set.
      def parts
        healthy? ? [] : diagnosis.posterior.leading_set.reject { |cause| cause.part.nil? }.map(&:id)
      end

      def truth = faults.empty? ? [Fenbo::Diagnosis::HEALTHY] : faults

      def right? = truth.include?(first)

      def in_two? = (truth & two).any?

      def both? = (faults - two).empty?

      def wrong_parts = (parts - truth).size
    end

  attr_reader :observer, :done, :state

  def initialize(observer, limits: Fenbo::Limits.default)
    @rig = observer.rig
    @observer = observer
    @limits = limits
    @complaint = observer.complaint
    @glance = glance
  end

  # @param strategy [#next_test] given the diagnosis and this errand, a test or nil
  def run(strategy)
    @state, @minutes, @done, @findings = "L", @glance.empty? ? 0 : GLANCE_MINUTES, [], @glance.dup
    diagnosis = weigh
    until diagnosis.decisive? || @done.size >= MOST_TESTS
      test = strategy.next_test(diagnosis, self) or break
      take(test)
      diagnosis = weigh
    end
    Outcome.new(diagnosis:, minutes: @minutes, tests: @done.dup, faults: @rig.faults)
  end

  # Whether a test may be done now.
  def may?(test) = !@done.include?(test.id) && offer.why_not(test).nil?

  def offer = @offer ||= Fenbo::Diagnosis::Offer.new(case_file, @rig.equipment)

  # Where every strategy starts from: the complaint, a glance at the neighbours.
  def start
    @state, @findings = "L", @glance.dup
    weigh
  end

  private

  def glance
    Array.new(@rig.neighbours) do |index|
      {
        "test" => "fan_motion",
        "outcome" => @observer.neighbour_motion(index),
        "position" => "#{@rig.side}-#{index + 2}"
      }
    end
  end

  def take(test)
    @minutes += offer.minutes(test)
    @state = offer.state(test)
    @done << test.id
    @findings << {"test" => test.id, "outcome" => @observer.see(test.id), "position" => own}
  end

  def own = "#{@rig.side}-1"

  def case_file
    fans =
      Array.new(@rig.neighbours + 1) do |index|
        {"position" => "#{@rig.side}-#{index + 1}", "motor" => {"family" => @rig.motor}}
      end
    question = {
      "unit" => {
        "family" => @rig.family,
        "fans" => fans
      },
      "position" => own,
      "findings" => @findings,
      "state" => @state,
      "context" => {
        "side" => @rig.side,
        "age_years" => @rig.age,
        "recent_work" => @rig.recent_work,
        "complaint" => @complaint
      }
    }
    Fenbo::Diagnosis::CaseFile.read(Fenbo::Input.new(question), @limits)
  end

  def weigh
    @offer = nil
    Fenbo::Diagnosis::Diagnose.new(case_file, @limits)
  end
end
