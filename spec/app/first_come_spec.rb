# frozen_string_literal: true

require_relative "app_spec_helper"

# What a phone brings back after somebody else was there: first come stands, and it is said who.
RSpec.describe Pocket::FirstCome, :made_jobs do
  let(:mine) { Struct.new(:uid).new("Jorun Vey") }
  let(:nothing) { {"decisions" => [], "choices" => [], "state" => "L", "handover" => nil} }

  # @param there [Hash] what stands on the job by now
  def said(path, body = "", seen: nothing, anyway: false, **there)
    allow(JobSource).to receive(:numbered).with(7).and_return(made_job(**there))
    press = Struct.new(:path, :body, :seen, :anyway, :job).new("/jobs/7/#{path}", body, seen, anyway, 7)
    described_class.new(press, mine).sentence
  end

  it "names who decided about the same fault meanwhile, and when" do
    there = decided("bearing_worn")
    expect(said("decide", "fan=evaporator-1", decisions: [there]))
      .to match(/\AIlka Brenn decided meanwhile: bearing worn, replace, \d+ Mar/)
    quiet = {
      "of another fan" => said("decide", "fan=evaporator-2", decisions: [there]),
      "seen before" => said("decide", "fan=evaporator-1", decisions: [there],
        seen: nothing.merge("decisions" => [there.id])),
      "one's own" => said("decide", "fan=evaporator-1", decisions: [there.with(by: person("Jorun Vey"))]),
      "beside it" => said("decide", "fan=evaporator-1&besides=1", decisions: [there]),
      "pressed all the same" => said("decide", "fan=evaporator-1", decisions: [there], anyway: true),
      "of before phones told" => said("decide", "fan=evaporator-1", decisions: [there], seen: nil),
      "of what only adds" => said("findings", "fan=evaporator-1", decisions: [there])
    }
    expect(quiet.compact).to eq({})
    expect(said("decide/withdraw", "fan=evaporator-1", decisions: [there])).to include "decided meanwhile"
  end

  it "names another part that was chosen, not the same one" do
    there = chosen
    expect(said("match", "fan=evaporator-1&part=KA-E16-230", part_choices: [there]))
      .to start_with "Ilka Brenn chose BR-S12-230-L meanwhile"
    expect(said("match", "fan=evaporator-1&part=BR-S12-230-L", part_choices: [there])).to be_nil
    expect(said("match", "fan=evaporator-1&part=KA-E16-230", part_choices: [there],
      seen: nothing.merge("choices" => [there.uid]))).to be_nil
    expect(said("match", "fan=evaporator-1&part=KA-E16-230")).to be_nil
  end

  it "names who switched the unit to what is neither as it was nor as one wants it" do
    dead = {state: "D", state_at: at(30), state_by: person}
    expect(said("state", "state=P", **dead)).to start_with "Ilka Brenn set it meanwhile: proved dead"
    expect(said("state", "state=D", **dead)).to be_nil
    expect(said("state", "state=P", seen: nothing.merge("state" => "D"), **dead)).to be_nil
    expect(said("state", "state=P", **dead, state_by: person("Jorun Vey"))).to be_nil
  end

  it "shows other words of the handover, and whether they were signed" do
    text = Fenbo::JobFile::Handover.new(by: person, summary: "A new motor.", signed_at: at(90))
    expect(said("hand_over", "summary=Other", handover: text))
      .to eq "Ilka Brenn wrote it meanwhile: “A new motor.”, signed."
    expect(said("hand_over", "summary=Other", handover: text, seen: described_class.seen(made_job(handover: text))
      .transform_keys(&:to_s))).to be_nil
    expect(said("hand_over", "summary=Other")).to be_nil
  end

  it "says that somebody closed it" do
    ended = {status: "closed", closed_at: at(100)}
    expect(said("close", **ended, closed_by: person)).to start_with "Ilka Brenn closed it meanwhile"
    expect(said("close", **ended, closed_by: person("Jorun Vey"))).to be_nil
    expect(said("close")).to be_nil
  end

  it "has nothing to say of a job that is not there any more" do
    allow(JobSource).to receive(:numbered).and_raise(ActiveRecord::RecordNotFound)
    press = Struct.new(:path, :body, :seen, :anyway, :job).new("/jobs/7/close", "", nothing, false, 7)
    expect(described_class.new(press, mine).sentence).to be_nil
  end
end
