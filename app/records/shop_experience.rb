# frozen_string_literal: true

# What the shop's closed jobs teach: counts of confirmed causes by equipment, and of
# the answers given on them, as the core's Experience takes them. Counted afresh
# whenever a job is closed or opened again, so that a reopened job counts no more; a
# verdict that a return visit corrected counts for the corrected cause only.
module ShopExperience
  # A fan that stands still hums or is silent.
  STILL = {"hum_not_turning" => "stalled", "silent" => "dead"}.freeze

  module_function

  def on? = Setting.read("learning")

  # The core's `experience`, or nil while switched off or empty.
  def experience
    kept = Setting.read("experience")
    kept if on? && kept.fetch("jobs").any?
  end

  def recount
    jobs = Hash.new { |all, place| all[place] = Hash.new(0) }
    answers = Hash.new { |all, key| all[key] = Hash.new(0) }
    counted = confirmed.each { |job| count(job, jobs, answers) }
    Setting.write("experience", {"jobs" => jobs, "findings" => answers, "counted" => counted.size})
  end

  # Closed jobs that name a cause and were not corrected by a later one.
  def confirmed
    closed = Job.where(status: "closed").preload(:decisions, :findings, :fan_position, :unit)
    corrected = Misdiagnosis.corrected_ids
    closed.select do |job|
      job.decision && (job.decision.causes - %w[healthy none_of_these]).any? && !corrected.include?(job.id)
    end
  end

  def count(job, jobs, answers)
    decision = job.decision
    position = job.unit.fan_positions.find { |one| one.id == decision.fan_position_id } || job.position_in_hand
    causes = decision.causes - %w[healthy none_of_these]
    causes.each { |cause| jobs["#{job.unit.family} #{position.side}"][cause] += 1 }
    count_answers(job, position, causes.first, answers) if causes.one?
  end

  # Only where the motion was seen: an answer means something else in each.
  def count_answers(job, position, cause, answers)
    live =
      job.findings.reject(&:voided?).select { |one| [nil, position.id].include?(one.fan_position_id) }
    motion = motion_of(live) or return
    live
      .uniq(&:test)
      .each do |one|
        answers["#{cause} #{one.test} #{motion}"][one.outcome] += 1 unless Fenbo::Diagnosis::Test[
          one.test
        ].tells_nothing?(one.outcome)
      end
  end

  def motion_of(findings)
    seen = findings.to_h { |finding| [finding.test, finding.outcome] }
    Fenbo::Diagnosis::Test["fan_motion"].motion(seen["fan_motion"]) ||
      (STILL[seen["noise"]] if seen["fan_motion"] == "stopped")
  end
end
