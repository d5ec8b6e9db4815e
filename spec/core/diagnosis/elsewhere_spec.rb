# frozen_string_literal: true

require "spec_helper"

# A second fault on one unit: what the first does to the whole of it is no sign of the second.
RSpec.describe Fenbo::Diagnosis::Elsewhere, :made_jobs do
  def diagnose(*lines, decided: nil, **context)
    findings = lines.map { |line| %w[test outcome position].zip(line.split).to_h.compact }
    motors = %w[evaporator-1 evaporator-2 condenser-1].map { |one|
      {"position" => one, "motor" => {"family" => "shaded_pole"}}
    }
    Fenbo.call(:diagnose, {
      "unit" => {"family" => "reach_in", "fans" => motors}, "position" => "condenser-1", "findings" => findings,
      "context" => {"side" => "condenser", "decided" => decided}.compact.merge(context.transform_keys(&:to_s))
    })
  end

  def chance(answer, id)
    answer.causes.find { |one| one.id == id }&.probability || 0.0
  end

  let(:stopped) { [{"position" => "evaporator-2", "causes" => ["winding_open"]}] }
  let(:sound) { ["fan_motion normal", "noise quiet_normal", "airflow normal", "condenser_face clean"] }

  it "explains a warm box by the fan that stands, and says so" do
    warm = [*sound, "box_temperature warm"]
    alone, beside = diagnose(*warm), diagnose(*warm, decided: stopped)
    expect([chance(alone, "compressor_fault"), alone.verdict == "healthy"]).to match [be > 0.1, false]
    expect([beside.verdict, beside.causes]).to match ["healthy", diagnose(*sound).causes]
    expect(beside.reasons.map(&:text))
      .to include "Box temperature “warm” is explained by winding open at evaporator fan 2"
    expect(alone.reasons.map(&:text).grep(/explained/)).to be_empty
  end

  it "takes the caller's word for it too, and leaves what that fan does not do" do
    expect(diagnose(*sound, decided: stopped, complaint: ["too_warm"]).causes).to eq diagnose(*sound).causes
    ["box_temperature normal", "box_temperature too_cold", "setting wrong_or_off"].each do |line|
      expect(diagnose(*sound, line, decided: stopped).causes).to eq(diagnose(*sound, line).causes), line
    end
    seal = [{"position" => "evaporator-2", "causes" => ["mount_loose"]}]
    expect(diagnose(*sound, "box_temperature warm", decided: seal).causes)
      .to eq diagnose(*sound, "box_temperature warm").causes
  end

  it "names every wrong field" do
    wrong = [{"position" => "roof", "causes" => ["winding_open", "ghost"]}, {"causes" => []}]
    expect(diagnose(decided: wrong).faults.map(&:field))
      .to include("context.decided.0.position", "context.decided.0.causes.1", "context.decided.1.position")
  end

  it "is told of a job's other fans, but of none whose repair did not prove" do
    asked = ->(**entries) {
      job = made_job(unit: made_unit(family: "reach_in", fans: %w[evaporator-1 condenser-1]), **entries)
      Fenbo::Diagnosis::JobCase.new(job, job.unit.fan("condenser-1"), now: at(90), minute_cost: 1.5)
        .to_h["context"]["decided"]
    }
    expect(asked.call(decisions: [decided("winding_open")]))
      .to eq [{"position" => "evaporator-1", "causes" => ["winding_open"]}]
    expect(asked.call(decisions: [decided("healthy")])).to eq []
    expect(asked.call(decisions: [decided("bearing_worn", fault: "condenser-1.1")])).to eq []
    expect(asked.call(decisions: [disproved(decided("winding_open"))])).to eq []
  end
end
