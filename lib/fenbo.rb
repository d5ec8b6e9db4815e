# frozen_string_literal: true

# Fenbo's core: the rules of the job, in plain Ruby. No web, no database, no
# clock and no random numbers of its own.
#
#   require "fenbo"
#   answer = Fenbo.call(:amps, {
#     "motor" => {"family" => "psc", "nameplate_amps" => 1.2, "nameplate_volts" => 230},
#     "reading" => {"amps" => [0.7], "volts" => [228]}
#   })
#   answer.verdict        #=> "under"
#   answer.window.low     #=> 0.9
#   answer.reasons.first.text
#
# The parts, from the outside in:
#   Tools       the named entry points, one JSON in and one JSON out
#   Command     the same tools from a shell (bin/fenbo)
#   Electrical  amps, phases, windings, capacitor: what the meter says
#   Diagnosis   diagnose: which causes explain the findings, and what to test next
#   Clearance     fit, fan_laws: do shaft, blade and guard get along, and what a change costs
#   Frost       frost: where it lies on the coil, and what that argues for
#   Matching    match: which motors can take the old one's place
#   Sound       sound: what a recording of one fan can show
#   Sourcing    source: where to get it and when it would be done
#   Product     product: how long the goods can wait
#   Proof       pulldown: is the box on its way to the setpoint?
#   Refrigerant refrigerant: what a circuit took, and how fast it leaks
#   WorkPlan   procedure: the work plan, taken apart and put back
#   Quantities  what people type ("3/8 in", "41 °F", "1,2 A") to SI and back
#   Knowledge   judgement as data (lib/fenbo/knowledge/*.yml), Limits by name
module Fenbo
  autoload :Air, "fenbo/observation/air"
  autoload :Answer, "fenbo/kernel/answer"
  autoload :Clearance, "fenbo/clearance"
  autoload :Decision, "fenbo/decision"
  autoload :Diagnosis, "fenbo/diagnosis"
  autoload :Electrical, "fenbo/electrical"
  autoload :Error, "fenbo/kernel/errors"
  autoload :Frost, "fenbo/observation/frost"
  autoload :Input, "fenbo/kernel/input"
  autoload :Json, "fenbo/kernel/json"
  autoload :JobFile, "fenbo/job_file"
  autoload :Kept, "fenbo/kernel/kept"
  autoload :Knowledge, "fenbo/kernel/knowledge"
  autoload :KnowledgeCheck, "fenbo/kernel/knowledge_check"
  autoload :KnowledgeError, "fenbo/kernel/errors"
  autoload :MissingLibrary, "fenbo/kernel/errors"
  autoload :LimitSense, "fenbo/kernel/limit_sense"
  autoload :Limits, "fenbo/kernel/limits"
  autoload :Matching, "fenbo/matching"
  autoload :Product, "fenbo/product"
  autoload :Proof, "fenbo/proof"
  autoload :Quantities, "fenbo/kernel/quantities"
  autoload :Retold, "fenbo/kernel/retold"
  autoload :Reason, "fenbo/kernel/reason"
  autoload :Reasoning, "fenbo/kernel/reasoning"
  autoload :Refrigerant, "fenbo/refrigerant"
  autoload :Refusal, "fenbo/kernel/refusal"
  autoload :Result, "fenbo/kernel/result"
  autoload :SafeCell, "fenbo/kernel/safe_cell"
  autoload :Shape, "fenbo/kernel/shape"
  autoload :Sound, "fenbo/observation/sound"
  autoload :Sourcing, "fenbo/sourcing"
  autoload :Statistics, "fenbo/kernel/statistics"
  autoload :Tolerance, "fenbo/kernel/tolerance"
  autoload :Tool, "fenbo/kernel/tool"
  autoload :Tools, "fenbo/tools"
  autoload :Value, "fenbo/kernel/value"
  autoload :WorkPlan, "fenbo/work_plan"

  # Everything at once, for a process that serves: nobody's first click waits for a file, or
  # finds a constant that lives in another's. What only rake and the shell use is left out.
  LATER = %w[kernel/knowledge_check tools/command].freeze
  private_constant :LATER

  def self.eager_load
    folder = File.expand_path("fenbo", __dir__)
    Dir[File.join(folder, "**/*.rb")].sort.each do |file|
      require file unless LATER.any? { |name| file.start_with?(File.join(folder, name)) }
    end
  end

  # The one door into the core: a tool by its name, its question as parsed JSON.
  # @return [Answer, Refusal]
  def self.call(name, question, limits: Limits.default)
    Tools.call(name, question, limits:)
  end
end
