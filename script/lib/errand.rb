# frozen_string_literal: true

# One simulated job brought to a decision: tests are chosen by a strategy, answered
# by the observer, weighed by the real engine, and their minutes counted. What is named is
# then mended, and what is left shows itself at the retest or comes back as a second trip.
class Errand
  MOST_TESTS = 30
  # A glance at the other fans comes before everything, for every strategy.
  GLANCE_MINUTES = 1
  # What everybody looks at before leaving a repair: the job's proof.
  PROOF = %w[fan_motion noise airflow amps box_temperature].freeze
  LIKELY = 0.5

  Outcome =
    Struct.new(:diagnosis, :minutes, :tests, :faults, :retest, keyword_init: true) do
      def healthy? = diagnosis.verdict == Fenbo::Diagnosis::HEALTHY

      def causes = diagnosis.posterior.causes.keys.map(&:id)

      # What would be named first, and the chance that was given for it.
      def first = healthy? ? Fenbo::Diagnosis::HEALTHY : causes.first

      def two = ([first] + causes).uniq.first(2)

      def chance
        healthy? ? diagnosis.posterior.healthy : diagnosis.posterior.causes.values.first
      end

      # The set that would be acted on, and the chance that was given for it.
      def set = diagnosis.posterior.leading_set.map(&:id)

      def set_chance = diagnosis.posterior.leading_sets.first.last

      # What would be bought: the parts of the likeliest set.
      def parts
        healthy? ? [] : diagnosis.posterior.leading_set.reject { |cause| cause.part.nil? }.map(&:id)
      end

      def truth = faults.empty? ? [Fenbo::Diagnosis::HEALTHY] : faults

      def right? = truth.include?(first)

      def in_two? = (truth & two).any?

      def exact? = set.sort == faults.sort

      # With what the retest after the repair named as well.
      def exact_after?
        retest ? (set | retest.set).sort == faults.sort : exact?
      end

      def all_likely?
        diagnosis.posterior.causes.all? { |cause, chance| (chance >= LIKELY) == faults.include?(cause.id) }
      end

      def missed = faults - set

      def wrong_parts = (parts - truth).size
    end

  attr_reader :observer, :done, :state

  def faults = @rig.faults

  # @param job [Worlds::Job]
  def initialize(job, limits: Fenbo::Limits.default, after_repair: false)
    @job = job
    @rig = job.rig
    @observer = job.observer
    @limits = limits
    @after_repair = after_repair
    @complaint = after_repair ? [] : observer.complaint
    @glance = after_repair ? [] : glance
  end

  # @param strategy [#next_test] given the diagnosis and this errand, a test or nil
  def run(strategy)
    start_over
    diagnosis = weigh
    until @done.size >= MOST_TESTS || strategy.enough?(diagnosis)
      test = strategy.next_test(diagnosis, self) or break
      take(test)
      diagnosis = weigh
    end
    Outcome.new(diagnosis:, minutes: @minutes, tests: @done.dup, faults: @rig.faults)
  end

  # The same job when what an outcome named is mended, looked at as a repair is proved; nil
  # where nothing shows any more.
  def proved(outcome, strategy)
    left = outcome.missed
    mended = @job.mended(left)
    return nil if left.empty? || mended.observer.symptoms.empty?
    Errand.new(mended, limits: @limits, after_repair: true).run(strategy)
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

  def start_over
    @state, @minutes, @done, @findings = "L", @glance.empty? ? 0 : GLANCE_MINUTES, [], @glance.dup
    return unless @after_repair
    PROOF.each { |id| answer(Fenbo::Diagnosis::Test[id]) if may?(Fenbo::Diagnosis::Test[id]) }
  end

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
    answer(test)
  end

  def answer(test)
    @done << test.id
    @findings << {"test" => test.id, "outcome" => @observer.see(test.id), "position" => own}
    @offer = nil
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
        "recent_work" => @rig.recent_work || @after_repair,
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
