# frozen_string_literal: true

module Fenbo
  # From findings to causes, and to the one test worth doing next.
  #
  # How a verdict is computed. Every set of up to three causes (and "healthy", and
  # "none of these") is a hypothesis with a weight: how likely its first cause is, and
  # how often the others come with it. Under a hypothesis the fan turns, labours,
  # stalls or lies dead and the coil is open or iced with some chance, and given that
  # state, each test shows its outcomes with the chances in knowledge/causes.yml. Where
  # several causes bear on one test, the outcome later in the test's order wins (a noisy
  # maximum). Bayes' rule over the hypotheses is exact; nothing is sampled.
  #
  #   Diagnose       the tool
  #   CaseFile       the question: a unit, a position, its findings
  #   Complaint      what the caller tells of
  #   Elsewhere      what was decided at other fans, and what that explains
  #   Equipment      what exists on this unit: which causes, which tests
  #   Cause, Test    one row each of the knowledge
  #   Companion      what comes with a cause, how often, why and which look tells
  #   Company        how likely a set is before anything is seen
  #   States         what fan and coil physically do; Pictures, what each test then shows
  #   Chances        distributions over outcomes: filling up, maximum, mistakes
  #   Evidence       what the answers to one test say together
  #   Experience     what the shop's own closed jobs add
  #   Model          all hypotheses of one kind of equipment, ready to weigh
  #   Neighbours     what the other fans of the unit say
  #   Posterior      the weighed hypotheses; Triples, sets of three among them
  #   NextTests      what to do next, by what it and the test after it save
  #   Outlook        what a test would tell, and the loss left after it
  #   Offer          whether a test may be done now, what it costs, or why not
  #   OpenPoints     what keeps a likely set from being decisive
  #   Companions     what usually comes along, and how each of it stands
  #   Contradictions findings that do not fit the leading causes
  #   Ledger         how far each finding moved each cause; Reasons, all of it in words
  module Diagnosis
    autoload :CaseFile, "fenbo/diagnosis/case/case_file"
    autoload :Cause, "fenbo/diagnosis/case/cause"
    autoload :Chances, "fenbo/diagnosis/inference/chances"
    autoload :Companion, "fenbo/diagnosis/case/companion"
    autoload :Companions, "fenbo/diagnosis/explanation/companions"
    autoload :Company, "fenbo/diagnosis/inference/company"
    autoload :Complaint, "fenbo/diagnosis/case/complaint"
    autoload :Contradictions, "fenbo/diagnosis/explanation/contradictions"
    autoload :Diagnose, "fenbo/diagnosis/diagnose"
    autoload :Elsewhere, "fenbo/diagnosis/case/elsewhere"
    autoload :Equipment, "fenbo/diagnosis/case/equipment"
    autoload :Evidence, "fenbo/diagnosis/inference/evidence"
    autoload :Exclusions, "fenbo/diagnosis/inference/exclusions"
    autoload :Experience, "fenbo/diagnosis/inference/experience"
    autoload :Finding, "fenbo/diagnosis/case/finding"
    autoload :JobCase, "fenbo/diagnosis/case/job_case"
    autoload :Ledger, "fenbo/diagnosis/explanation/ledger"
    autoload :Model, "fenbo/diagnosis/inference/model"
    autoload :Neighbours, "fenbo/diagnosis/inference/neighbours"
    autoload :NextTests, "fenbo/diagnosis/advice/next_tests"
    autoload :Offer, "fenbo/diagnosis/advice/offer"
    autoload :OpenPoints, "fenbo/diagnosis/advice/open_points"
    autoload :Outlook, "fenbo/diagnosis/advice/outlook"
    autoload :Pictures, "fenbo/diagnosis/inference/pictures"
    autoload :Posterior, "fenbo/diagnosis/inference/posterior"
    autoload :Reasons, "fenbo/diagnosis/explanation/reasons"
    autoload :Stakes, "fenbo/diagnosis/advice/stakes"
    autoload :State, "fenbo/diagnosis/inference/states"
    autoload :States, "fenbo/diagnosis/inference/states"
    autoload :Test, "fenbo/diagnosis/case/test"
    autoload :Triples, "fenbo/diagnosis/inference/triples"

    # How a unit stands: looking, live, made safe and proved dead, cover off.
    STATES = %w[L P D C].freeze
    SIDES = %w[evaporator condenser].freeze
    HEALTHY = "healthy"
    UNKNOWN = "none_of_these"

    # A label inside a sentence: "bearing worn", but "EC module failed".
    def self.low(label) = label.sub(/\A[A-Z](?=[a-z])/, &:downcase)

    # Causes in one phrase: "Bearing worn with condenser dirty and mount loose".
    # @param causes [Array<String>] ids
    # @param by [String] the word between the first and the others
    def self.together(causes, by: "with")
      first, *others = causes.map { |cause| Cause.label(cause) }
      *most, last = others.map { |label| low(label) }
      return first.to_s unless last
      "#{first} #{by} #{[most.join(", "), last].reject(&:empty?).join(" and ")}"
    end

    def self.rules = Knowledge.table("inference")
  end
end
