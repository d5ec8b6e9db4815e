# frozen_string_literal: true

require "nokogiri"
require "pdf-reader"
require_relative "app_spec_helper"

# What is signed stays signed.
RSpec.describe Fenbo::JobFile::SignedWork, :rolled_back do
  let(:technician) { create(:user) }
  let(:apprentice) { create(:user, role: "apprentice") }
  let(:job) { create(:job, unit: create(:unit, fans: 2)) }
  let(:strokes) { JSON.generate([[[0.1, 0.2], [0.3, 0.2]]]) }

  before do
    sign_in technician
    get "/jobs/#{job.number}/hand_over"
    decide "evaporator-1"
    sign
  end

  def decide(fan, cause: "bearing_worn", id: SecureRandom.uuid, **more)
    send_form "/jobs/#{job.number}/decide", fan:, cause:, action: "replace", client_id: id,
      reason: "Heard and felt on site", **more
  end

  def sign(summary: "New motor in fan 1.", name: "R. Aalto")
    send_form "/jobs/#{job.number}/hand_over", summary:, signed_name: name, signature: strokes,
      version: Handover.where(job_id: job.id).pick(:lock_version).to_i
  end

  def close = send_form("/jobs/#{job.number}/close")

  def handover = Handover.find_by!(job_id: job.id)

  it "keeps each signature with the work it was given for, and prints its digest on page and paper" do
    work = described_class.new(file(job))
    expect(handover.signed_digest).to eq work.digest
    expect(Signature.where(job:).sole).to have_attributes(digest: work.digest, work: work.to_h, name: "R. Aalto")
    get "/jobs/#{job.number}/report"
    expect(page).to include "SHA-256: #{work.digest}"
    get "/jobs/#{job.number}/report.pdf"
    text = PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join.gsub(/\s/, "")
    expect(text).to include work.digest
    sign name: "K. Aalto"
    expect(Signature.where(job:).order(:id).pluck(:name)).to eq ["R. Aalto", "K. Aalto"]
    expect {
      Signature.where(job:).update_all(name: "X")
    }.to raise_error(ActiveRecord::StatementInvalid, /change|kept/i)
  end

  {
    "a decision" => ["the decisions", ->(one) { one.decide "evaporator-2" }],
    "a finding" => ["what was found", ->(one) { one.finding }]
  }.each do |what, (words, change)|
    it "is not closed with #{what} of after the signature, before it is signed again" do
      change[self]
      close
      expect(last_response.status).to eq 422
      expect(page).to include "Since it was signed, #{words} changed: have it signed again"
      sign
      close
      expect(job.reload.status).to eq "closed"
    end
  end

  # The same words keep the signature, others drop it.
  {"New motor in fan 1." => "Not signed again",
   "New motor in fan 1, on the roof." => "Not signed"}.each do |summary, told|
    it "is closed where it was noted why nobody signs, and says so on page and paper: #{told}" do
      finding
      send_form "/jobs/#{job.number}/hand_over", summary:, signed_name: "R. Aalto", unsigned_because: "Nobody on site.",
        version: handover.lock_version
      close
      expect(job.reload.status).to eq "closed"
      get "/jobs/#{job.number}/report"
      expect(page).to include "#{told}: Nobody on site."
      get "/jobs/#{job.number}/report.pdf"
      text = PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join(" ").squish
      expect(text).to include "#{told}: Nobody on site."
      expect(text.include?("SHA-256")).to eq told.end_with?("again")
    end
  end

  it "forgets why nobody signed once somebody did" do
    send_form "/jobs/#{job.number}/hand_over", summary: "Other.", unsigned_because: "Out",
      version: handover.lock_version
    expect(handover.unsigned_because).to eq "Out"
    sign summary: "Other."
    expect(handover).to have_attributes(unsigned_because: nil, signed_name: "R. Aalto")
  end

  def finding
    Finding.create!(client_id: SecureRandom.uuid, job:, user: technician, test: "noise", outcome: "silent",
      fan_position: job.unit.position("evaporator-1"), taken_at: Time.now)
  end

  it "lets the box go on warming and cooling by itself under a signature" do
    Reading.create!(client_id: SecureRandom.uuid, job:, user: technician, kind: "product", phase: "after", typed: {},
      question: {}, result: {}, taken_at: Time.now)
    expect(handover.signed_digest).to eq described_class.new(file(job)).digest
  end

  it "drops the signature with the words, and keeps it among those that were given" do
    send_form "/jobs/#{job.number}/hand_over", summary: "Something else.", version: handover.lock_version
    expect(handover).to have_attributes(signed_at: nil, signature: nil, signed_digest: nil, signed_work: nil)
    expect(Signature.where(job:).sole.work["words"].first).to eq "New motor in fan 1."
  end

  it "offers on the pages of a closed job its link and to open it again, and says there who closed it" do
    close
    offered = Fenbo::JobFile::STATIONS.to_h { |station|
      get "/jobs/#{job.number}/#{station}"
      here = Nokogiri::HTML(page)
      expect(here.at_css("main .offline").text).to include "Closed by #{technician.first_name}", "It takes nothing more"
      pressable = here.css("main button:not([disabled])").reject { |one| one.ancestors("[inert]").any? }
      [station, pressable.map { |one| one.text.squish }.uniq]
    }
    expect(offered.reject { |_, presses| presses.empty? })
      .to eq("match" => ["Side by side", "Judge"], "hand_over" => ["Link for the customer", "Open it again"])
    send_form "/jobs/#{job.number}/sheet"
    expect([status, page]).to match [200, include("For the customer, shown once", "New motor in fan 1.")]
    expect(Nokogiri::HTML(page).css("main .thing input, main .thing textarea, main .thing canvas")).to be_empty
  end

  it "opens again only with a reason, which stands there, and keeps what was signed" do
    close
    send_form "/jobs/#{job.number}/reopen", reopen: " "
    expect(last_response.status).to eq 422
    expect(page).to include "Why is it opened again?"
    expect(job.reload.status).to eq "closed"
    send_form "/jobs/#{job.number}/reopen", reopen: "It is loud again"
    expect(job.reload).to have_attributes(status: "open", reopen_reason: "It is loud again")
    expect(AuditEntry.where(record_type: "Job", record_id: job.id).last.changes_made).to include "reopen_reason"
    expect(handover.signed_at).not_to be_nil
    finding
    get "/jobs/#{job.number}/report"
    expect(page).to include "Since then what was found changed."
  end

  describe "an apprentice's work" do
    before do
      sign_in apprentice
      get "/jobs/#{job.number}/decide"
      decide "evaporator-2", id: first
    end

    let(:first) { SecureRandom.uuid }

    def countersign(**fields)
      send_form("/jobs/#{job.number}/decide/countersign", fan: "evaporator-2", **fields)
    end

    it "is countersigned as it was read, not as it was decided meanwhile" do
      decide "evaporator-2", cause: "winding_open"
      sign_in technician
      get "/jobs/#{job.number}/decide"
      countersign read: first
      expect(last_response.status).to eq 422
      expect(page).to include "decided anew since you read it"
      countersign read: file(job).decision("evaporator-2").id
      expect(file(job).decision("evaporator-2")).to have_attributes(causes: ["winding_open"],
        countersigned_by: be_present)
    end

    it "is not closed with a decision or a change of after the closing was asked for" do
      sign_in technician
      get "/jobs/#{job.number}/decide"
      countersign read: first
      sign_in apprentice
      get "/jobs/#{job.number}/hand_over"
      sign
      close
      expect(job.reload.status).to eq "awaiting_countersign"
      read = described_class.new(file(job)).digest
      decide "evaporator-1", cause: "blade_loose"
      sign_in technician
      get "/jobs/#{job.number}/hand_over"
      send_form "/jobs/#{job.number}/close/countersign", read: read
      expect(page).to include "A decision was made that nobody has countersigned"
      send_form "/jobs/#{job.number}/decide/countersign", fan: "evaporator-1"
      sign
      send_form "/jobs/#{job.number}/close/countersign", read: read
      expect(page).to include "has changed since you read it"
      get "/jobs/#{job.number}/hand_over"
      send_form "/jobs/#{job.number}/close/countersign", read: last_response.body[/name="read" value="(\h{64})"/, 1]
      expect(job.reload.status).to eq "closed"
    end
  end
end
